package fernstep.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Times the pages of a running demo on loopback from a second process: {@code PageTimes http://127.0.0.1:8080}. Prints
 * the median of {@value #RUNS} warm requests a page, in ms.
 */
public final class PageTimes {
    private static final int WARM_UP = 150;
    private static final int RUNS = 60;

    private final HttpClient http = HttpClient.newBuilder()
            .cookieHandler(new CookieManager())
            .followRedirects(HttpClient.Redirect.NORMAL)
            .build();
    private final String base;

    private PageTimes(String base) {
        this.base = base;
    }

    public static void main(String[] args) throws IOException, InterruptedException {
        URI base = URI.create(args[0]);
        if (!"127.0.0.1".equals(base.getHost()) && !"localhost".equals(base.getHost())) {
            throw new IllegalArgumentException("only a demo on this machine");
        }
        new PageTimes(args[0]).run();
    }

    private void run() throws IOException, InterruptedException {
        post("/sign-in", "username=imogen&password=tidemark-demo", token("/sign-in"));
        report("GET board filtered, a letter", () -> get("/board/rows?q=a"));
        report("GET board filtered, a name", () -> get("/board/rows?q=maribel+quint"));
        String client = find(get("/board/rows?q=maribel"), "/clients/(\\d+)\">Maribel Quint");
        String visit =
                find(post("/clients/" + client + "/visit", "", token("/clients/" + client)), "/visits/(\\d+)/answers");
        for (String page : List.of(
                "/",
                "/clients/" + client,
                "/clients/new",
                "/visits/" + visit + "/ask",
                "/visits/" + visit + "/check",
                "/visits/" + visit + "/plan",
                "/clients/" + client + "/progress",
                "/clients/" + client + "/calendar",
                "/catalogue",
                "/catalogue/F7",
                "/clients/" + client + "/forecast",
                "/clients/" + client + "/handout.pdf?paper=A4")) {
            report("GET " + page, () -> get(page));
        }
        String longest = find(get("/board/rows?q=catarina"), "/clients/(\\d+)\">Catarina Reis");
        report("GET client of three years", () -> get("/clients/" + longest));
        report("GET changes of three years", () -> get("/clients/" + longest + "/changes"));
        String csrf = token("/visits/" + visit + "/check");
        String plan = "/visits/" + visit + "/plan/change";
        report(
                "POST change of the plan",
                () -> post(plan, "change=RESET|||", csrf),
                () -> post(plan, "change=BREATHS|BREATH||1", csrf));
        post(plan, "change=RESET|||", csrf);
        report(
                "POST reading",
                () -> post(
                        "/visits/" + visit + "/readings", "siteCm=2&condition=REST&method=FINGERS&values=2.5", csrf));
        String session = UUID.randomUUID().toString();
        post("/visits/" + visit + "/asked", "", csrf);
        post("/visits/" + visit + "/run", "sessionId=" + session, csrf);
        String events = "/sessions/" + session + "/events";
        report(
                "POST sign (after its undo)",
                () -> json(events, event("UNDO", ""), csrf),
                () -> json(events, event("SIGN", ",\"sign\":{\"code\":\"WALL_BULGE\",\"severity\":\"CLEAR\"}"), csrf));
    }

    private static String event(String kind, String more) {
        return "{\"id\":\"" + UUID.randomUUID() + "\",\"kind\":\"" + kind + "\"" + more + "}";
    }

    private interface Call {
        String make() throws IOException, InterruptedException;
    }

    private static void report(String what, Call call) throws IOException, InterruptedException {
        report(what, () -> "", call);
    }

    /** Times the second of two calls. */
    private static void report(String what, Call before, Call call) throws IOException, InterruptedException {
        double[] ms = new double[RUNS];
        for (int i = -WARM_UP; i < RUNS; i++) {
            before.make();
            long start = System.nanoTime();
            call.make();
            if (i >= 0) {
                ms[i] = (System.nanoTime() - start) / 1e6;
            }
        }
        Arrays.sort(ms);
        System.out.printf("%-34s median %6.1f ms   95 %% %6.1f ms%n", what, ms[RUNS / 2], ms[RUNS * 95 / 100]);
    }

    private String token(String page) throws IOException, InterruptedException {
        return find(get(page), "name=\"csrf\" content=\"([^\"]+)\"");
    }

    private static String find(String text, String pattern) {
        Matcher m = Pattern.compile(pattern).matcher(text);
        if (!m.find()) {
            throw new IllegalStateException("not found: " + pattern);
        }
        return m.group(1);
    }

    private String get(String path) throws IOException, InterruptedException {
        return send(HttpRequest.newBuilder(URI.create(base + path)).build());
    }

    private String post(String path, String form, String csrf) throws IOException, InterruptedException {
        return send(HttpRequest.newBuilder(URI.create(base + path))
                .header("X-CSRF-TOKEN", csrf)
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(form))
                .build());
    }

    private String json(String path, String body, String csrf) throws IOException, InterruptedException {
        return send(HttpRequest.newBuilder(URI.create(base + path))
                .header("X-CSRF-TOKEN", csrf)
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build());
    }

    private String send(HttpRequest request) throws IOException, InterruptedException {
        HttpResponse<String> answer = http.send(request, HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() >= 400) {
            throw new IllegalStateException(request.uri() + " answered " + answer.statusCode());
        }
        return answer.body();
    }
}
