package fernstep.bench;

import java.io.IOException;
import java.io.InputStream;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What goes out and comes in of a running demo, best after {@code bench/run caseload}: the whole house as a folder, and a
 * table of {@value #ROWS} rows looked at, written and taken back. The app's heap is set where it is started:
 * {@code JAVA_TOOL_OPTIONS=-Xmx512m ./start}.
 */
public final class TransferTimes {
    private static final int ROWS = 100_000;
    private static final int CHUNK = 1 << 16;
    private static final Pattern CLIENT = Pattern.compile("/clients/(\\d+)\"");

    private final Tablet lead;

    private TransferTimes(Tablet lead) {
        this.lead = lead;
    }

    public static void main(String[] args) throws IOException, InterruptedException {
        ExecutorService threads = Executors.newFixedThreadPool(2, task -> {
            Thread thread = new Thread(task, "transfer");
            // whatever fails ends the measure
            thread.setDaemon(true);
            return thread;
        });
        Tablet lead = new Tablet(args[0], threads);
        lead.signIn();
        TransferTimes times = new TransferTimes(lead);
        times.house();
        times.house();
        times.table();
    }

    private void house() throws IOException, InterruptedException {
        long start = System.nanoTime();
        HttpResponse<InputStream> folder =
                lead.http().send(lead.stream("/house/export.zip"), HttpResponse.BodyHandlers.ofInputStream());
        int clients = Integer.parseInt(folder.headers().firstValue("X-Clients").orElseThrow());
        long bytes = 0;
        byte[] chunk = new byte[CHUNK];
        try (InputStream in = folder.body()) {
            for (int n = in.read(chunk); n >= 0; n = in.read(chunk)) {
                bytes += n;
            }
        }
        double seconds = (System.nanoTime() - start) / 1e9;
        System.out.printf(
                "house: %d clients, %.1f MB in %.1f s, %.0f clients a second%n",
                clients, bytes / 1e6, seconds, clients / seconds);
    }

    /** Readings of the clients that the board shows, each day of the past once. */
    private void table() throws IOException, InterruptedException {
        Set<String> shown = new LinkedHashSet<>();
        Matcher m = CLIENT.matcher(lead.page("/board/rows?q=an"));
        while (m.find()) {
            shown.add(m.group(1));
        }
        List<String> clients = List.copyOf(shown);
        StringBuilder csv = new StringBuilder("client,date,site_cm,condition,method,values\r\n");
        String[] sites = {"-4", "-2", "0", "2", "4"};
        for (int i = 0; i < ROWS; i++) {
            int client = i % clients.size();
            int day = i / clients.size() / sites.length;
            csv.append(clients.get(client))
                    .append(',')
                    .append(LocalDate.of(2015, 1, 1).plusDays(day))
                    .append(',')
                    .append(sites[i / clients.size() % sites.length])
                    .append(",REST,TAPE,")
                    .append(10 + i % 30)
                    .append("\r\n");
        }
        String form = UUID.randomUUID().toString();
        long start = System.nanoTime();
        upload(form, csv.toString());
        String page = lead.http()
                .send(lead.stream("/house/import/table?form=" + form), HttpResponse.BodyHandlers.ofString())
                .body();
        report("table looked at", start);
        if (!page.contains("/house/import/table/take")) {
            throw new IllegalStateException("the table cannot be taken");
        }
        start = System.nanoTime();
        lead.post("/house/import/table/take", "form=" + form + "&alsoIncomplete=true");
        waitFor(form);
        report("table written", start);
        start = System.nanoTime();
        lead.post("/house/import/table/undo", "form=" + form);
        waitFor(form);
        report("table taken back", start);
    }

    private void upload(String form, String csv) throws IOException, InterruptedException {
        String edge = "edge" + form;
        String body =
                "--" + edge + "\r\nContent-Disposition: form-data; name=\"formId\"\r\n\r\n" + form + "\r\n--" + edge
                        + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"readings.csv\"\r\nContent-Type: text/csv\r\n\r\n"
                        + csv + "\r\n--" + edge + "--\r\n";
        HttpRequest sent = lead.posting("/house/import", "multipart/form-data; boundary=" + edge, body);
        int status =
                lead.http().send(sent, HttpResponse.BodyHandlers.discarding()).statusCode();
        if (status >= 400) {
            throw new IllegalStateException("the table was refused: " + status);
        }
    }

    private void waitFor(String form) throws IOException, InterruptedException {
        while (lead.page("/house/import/table/progress?form=" + form).contains("\"moving\":true")) {
            TimeUnit.MILLISECONDS.sleep(200);
        }
    }

    private static void report(String what, long start) {
        System.out.printf("%s: %d rows in %.1f s%n", what, ROWS, (System.nanoTime() - start) / 1e9);
    }
}
