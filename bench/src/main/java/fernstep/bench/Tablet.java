package fernstep.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Executor;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** One browser that is signed in. */
final class Tablet {
    private static final String TOKEN = "name=\"csrf\" content=\"([^\"]+)\"";

    /** An instance that has just started takes its time. */
    private static final Duration SETTING_UP = Duration.ofMinutes(1);

    private final String base;
    private final HttpClient http;
    private String csrf = "";

    Tablet(String base, Executor threads) {
        this.base = base;
        this.http = HttpClient.newBuilder()
                .cookieHandler(new CookieManager())
                .executor(threads)
                .version(HttpClient.Version.HTTP_1_1)
                .connectTimeout(Duration.ofSeconds(5))
                .followRedirects(HttpClient.Redirect.NORMAL)
                .build();
    }

    HttpClient http() {
        return http;
    }

    void signIn() throws IOException, InterruptedException {
        csrf = found(page("/sign-in"), TOKEN);
        post("/sign-in", "username=imogen&password=tidemark-demo");
        csrf = found(page("/catalogue/F1"), TOKEN);
    }

    HttpRequest get(String path) {
        return HttpRequest.newBuilder(URI.create(base + path))
                .timeout(Duration.ofSeconds(10))
                .build();
    }

    /** Without an end. */
    HttpRequest stream(String path) {
        return HttpRequest.newBuilder(URI.create(base + path)).build();
    }

    HttpRequest posting(String path, String type, String body) {
        return posting(path, type, body, Duration.ofSeconds(10));
    }

    private HttpRequest posting(String path, String type, String body, Duration patience) {
        return HttpRequest.newBuilder(URI.create(base + path))
                .timeout(patience)
                .header("X-CSRF-TOKEN", csrf)
                .header("Content-Type", type)
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
    }

    String page(String path) throws IOException, InterruptedException {
        return http.send(get(path), HttpResponse.BodyHandlers.ofString()).body();
    }

    String post(String path, String form) throws IOException, InterruptedException {
        HttpResponse<String> answer = http.send(
                posting(path, "application/x-www-form-urlencoded", form, SETTING_UP),
                HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() >= 400) {
            throw new IllegalStateException(path + " answered " + answer.statusCode());
        }
        return answer.uri() + answer.body();
    }

    /** Several to a client: what counts is that so many are told of at once. */
    static List<String> sessions(Tablet by, int most) throws IOException, InterruptedException {
        Set<String> clients = new LinkedHashSet<>();
        Matcher m = Pattern.compile("/clients/(\\d+)\"").matcher(by.page("/board/rows?q="));
        while (m.find()) {
            clients.add(m.group(1));
        }
        List<String> sessions = new ArrayList<>();
        Iterator<String> turn = clients.iterator();
        while (sessions.size() < most) {
            turn = turn.hasNext() ? turn : clients.iterator();
            String client = turn.next();
            Matcher visit = Pattern.compile("/visits/(\\d+)/").matcher(by.post("/clients/" + client + "/visit", ""));
            if (visit.find()) {
                String id = UUID.randomUUID().toString();
                by.post("/visits/" + visit.group(1) + "/asked", "");
                // who is held is led to why, not to a session
                if (by.post("/visits/" + visit.group(1) + "/run", "sessionId=" + id)
                        .contains("/sessions/" + id)) {
                    sessions.add(id);
                    continue;
                }
            }
            turn.remove();
        }
        return sessions;
    }

    private static String found(String text, String pattern) {
        Matcher m = Pattern.compile(pattern).matcher(text);
        if (!m.find()) {
            throw new IllegalStateException("not found: " + pattern);
        }
        return m.group(1);
    }
}
