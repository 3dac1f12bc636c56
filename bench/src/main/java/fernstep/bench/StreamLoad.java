package fernstep.bench;

import fernstep.core.catalogue.Tempo;
import fernstep.device.Performance;
import fernstep.device.Script;
import fernstep.device.Sensor;
import fernstep.device.Stream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Twenty devices that stream at 50 Hz at once, each watched by a page: what was sent, and what of it is kept. */
public final class StreamLoad {
    private static final int STREAMS = 20;
    private static final int REPS = 6;
    private static final double HZ = 50;
    private static final int JUDGED = 200;

    private StreamLoad() {}

    public static void main(String[] args) throws IOException, InterruptedException {
        String base = args[0];
        ExecutorService threads = Executors.newCachedThreadPool(task -> {
            Thread thread = new Thread(task);
            thread.setDaemon(true);
            return thread;
        });
        Tablet tablet = new Tablet(base, threads);
        tablet.signIn();
        List<String> sessions = Tablet.sessions(tablet, STREAMS);
        Set<String> before = recordings(tablet, sessions);
        AtomicInteger refused = new AtomicInteger();
        AtomicInteger told = new AtomicInteger();
        long sent = 0;
        List<Runnable> devices = new ArrayList<>();
        for (int i = 0; i < STREAMS; i++) {
            String session = sessions.get(i);
            Script script = Script.values()[i % Script.values().length];
            Sensor counted = new Sensor(new Performance(script, new Tempo(3, 3, 2), REPS, i), HZ, 0.03, 0, i);
            sent += counted.whole().size();
            Sensor sensor = new Sensor(new Performance(script, new Tempo(3, 3, 2), REPS, i), HZ, 0.03, 0, i);
            String code = found(tablet.post("/sessions/" + session + "/pairing", ""), "\"code\":\"(\\d{6})\"");
            var unused = tablet.http()
                    .sendAsync(tablet.stream("/sessions/" + session + "/trace"), HttpResponse.BodyHandlers.ofLines())
                    .thenAccept(answer -> answer.body().forEach(line -> told.incrementAndGet()));
            devices.add(() -> {
                try {
                    Stream.play(URI.create(base.replaceFirst("^http", "ws") + "/device"), code, sensor, HZ, null, null);
                } catch (Stream.Refused | InterruptedException e) {
                    refused.incrementAndGet();
                    System.out.println(e.getMessage());
                }
            });
        }
        System.out.println(STREAMS + " devices stream for a minute and more");
        long began = System.nanoTime();
        devices.forEach(threads::execute);
        judge(tablet, sessions, began);
        long kept = 0;
        for (int looks = 0; looks < 60 && kept < sent; looks++) {
            TimeUnit.SECONDS.sleep(3);
            Set<String> now = recordings(tablet, sessions);
            now.removeAll(before);
            kept = kept(tablet, now);
        }
        System.out.printf(
                "%.0f s, %d samples sent, %d kept, %d devices turned away, %d lines to pages%n",
                (System.nanoTime() - began) / 1e9, sent, kept, refused.get(), told.get());
        System.exit(kept == sent && refused.get() == 0 ? 0 : 1);
    }

    /** Repetitions that are counted while all stream, five a second: how long until what they showed is there. */
    private static void judge(Tablet tablet, List<String> sessions, long began)
            throws IOException, InterruptedException {
        TimeUnit.SECONDS.sleep(10);
        List<Double> ms = new ArrayList<>();
        int said = 0;
        for (int rep = 0; rep < JUDGED; rep++) {
            TimeUnit.MILLISECONDS.sleep(200);
            long now = (System.nanoTime() - began) / 1_000_000;
            String told = "{\"rep\":" + (rep % 900 + 1) + ",\"rung\":\"F2\",\"startMs\":" + (now - 6500) + ",\"endMs\":"
                    + (now - 500) + "}";
            long asked = System.nanoTime();
            HttpResponse<String> answer = tablet.http()
                    .send(
                            tablet.posting(
                                    "/sessions/" + sessions.get(rep % sessions.size()) + "/trace/reps",
                                    "application/json",
                                    told),
                            HttpResponse.BodyHandlers.ofString());
            ms.add((System.nanoTime() - asked) / 1e6);
            said += answer.statusCode() == 200 ? 1 : 0;
        }
        ms.sort(null);
        System.out.printf(
                "%d repetitions judged, %d with a verdict: median %.0f ms, 95 %% %.0f ms, worst %.0f ms (budget 200)%n",
                JUDGED, said, ms.get(JUDGED / 2), ms.get(JUDGED * 95 / 100), ms.get(JUDGED - 1));
    }

    /** Where the recordings of the clients of these sessions are, by their addresses. */
    private static Set<String> recordings(Tablet tablet, List<String> sessions)
            throws IOException, InterruptedException {
        Set<String> all = new TreeSet<>();
        for (String session : sessions) {
            String client = found(tablet.page("/sessions/" + session), "href=\"/clients/(\\d+)\"");
            Matcher m = Pattern.compile("/clients/" + client + "/traces/\\d+")
                    .matcher(tablet.page("/clients/" + client + "/traces"));
            while (m.find()) {
                all.add(m.group());
            }
        }
        return all;
    }

    private static long kept(Tablet tablet, Set<String> recordings) throws IOException, InterruptedException {
        long kept = 0;
        for (String recording : recordings) {
            kept += tablet.page(recording + "/trace.csv").lines().count() - 1;
        }
        return kept;
    }

    private static String found(String text, String pattern) {
        Matcher m = Pattern.compile(pattern).matcher(text);
        if (!m.find()) {
            throw new IllegalStateException("nothing like " + pattern);
        }
        return m.group(1);
    }
}
