package fernstep.app.run;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.app.FernStepApp;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.CookieManager;
import java.net.ServerSocket;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The app, then the database, is killed outright while six sessions run: what was acknowledged is there afterwards. */
class CrashTest {
    private static final int SESSIONS = 6;
    private static final int ACKNOWLEDGED_BEFORE_EACH_CRASH = 60;

    @TempDir
    private static Path folder;

    private final Set<String> acknowledged = ConcurrentHashMap.newKeySet();
    private final Semaphore news = new Semaphore(0);
    private final AtomicBoolean going = new AtomicBoolean(true);
    private final List<Process> begun = new ArrayList<>();

    /** A database of the test's own, started by the same script as everywhere; dies with what it is told. */
    private record Database(Process process, long pid, String url, String password, String owners) {}

    private Database database(int port) throws IOException {
        Process process = new ProcessBuilder(
                        "bash",
                        "-c",
                        "set -u; here=$(cd .. && pwd); run=" + folder + "; . ../scripts/lib.sh; db_start crash " + port
                                + " --innodb-flush-log-at-trx-commit=1 >&2;"
                                + " echo \"$db_pid $FERN_DB_URL $FERN_DB_PASSWORD $FERN_DB_OWNER_PASSWORD\"; wait $db_pid")
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        begun.add(process);
        BufferedReader told =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
        String[] parts = told.readLine().split(" ");
        return new Database(process, Long.parseLong(parts[0]), parts[1], parts[2], parts[3]);
    }

    private Process app(Database database, int port) throws IOException {
        ProcessBuilder builder = new ProcessBuilder(
                        "java",
                        "-XX:TieredStopAtLevel=1",
                        "-cp",
                        System.getProperty("java.class.path"),
                        FernStepApp.class.getName(),
                        "--server.port=" + port,
                        "--fern.demo=true")
                .redirectErrorStream(true);
        builder.environment().put("FERN_DB_URL", database.url());
        builder.environment().put("FERN_DB_PASSWORD", database.password());
        builder.environment().put("FERN_DB_OWNER_PASSWORD", database.owners());
        Process process = builder.start();
        begun.add(process);
        BufferedReader said =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
        String line = said.readLine();
        while (line != null && !line.contains("Started FernStepApp")) {
            line = said.readLine();
        }
        assertThat(line).as("the app came up").isNotNull();
        Thread rest = new Thread(() -> said.lines().forEach(text -> {}), "what the app says");
        rest.setDaemon(true);
        rest.start();
        return process;
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    @AfterEach
    void end_what_was_begun() {
        going.set(false);
        begun.forEach(process -> {
            process.descendants().forEach(ProcessHandle::destroyForcibly);
            process.destroyForcibly();
        });
    }

    /** One who is signed in, and tells her session a repetition at a time, again and again until it is acknowledged. */
    private final class Tablet {
        private final HttpClient http = HttpClient.newBuilder()
                .cookieHandler(new CookieManager())
                .connectTimeout(Duration.ofSeconds(2))
                .build();
        private final String base;
        private String token = "";

        Tablet(String base) {
            this.base = base;
        }

        String page(String path) throws Exception {
            String html = http.send(
                            HttpRequest.newBuilder(URI.create(base + path)).build(), BodyHandlers.ofString())
                    .body();
            token = html.replaceAll("(?s).*<meta name=\"csrf\" content=\"([^\"]+)\".*", "$1");
            return html;
        }

        /** Where it leads. */
        String post(String path, String fields) throws Exception {
            return http.send(
                            HttpRequest.newBuilder(URI.create(base + path))
                                    .header("Content-Type", "application/x-www-form-urlencoded")
                                    .POST(HttpRequest.BodyPublishers.ofString(
                                            fields + "&_csrf=" + URLEncoder.encode(token, StandardCharsets.UTF_8)))
                                    .build(),
                            BodyHandlers.discarding())
                    .headers()
                    .firstValue("location")
                    .orElse("");
        }

        void signIn() throws Exception {
            page("/sign-in");
            post("/sign-in", "username=imogen&password=tidemark-demo");
            page("/catalogue/F1");
        }

        /** A session of this client; null where today's answers close it. */
        String session(long client) throws Exception {
            String visit = post("/clients/" + client + "/visit", "").replaceAll("/ask$", "");
            post(visit + "/asked", "");
            String id = UUID.randomUUID().toString();
            return post(visit + "/run", "sessionId=" + id).endsWith("/sessions/" + id) ? id : null;
        }

        void tellUntilStopped(String session) {
            while (going.get()) {
                String event = UUID.randomUUID().toString();
                boolean taken = false;
                while (!taken && going.get()) {
                    taken = tell(session, event);
                }
                if (taken) {
                    acknowledged.add(event);
                    news.release();
                }
            }
        }

        private boolean tell(String session, String event) {
            try {
                return http.send(
                                        HttpRequest.newBuilder(URI.create(base + "/sessions/" + session + "/events"))
                                                .timeout(Duration.ofSeconds(5))
                                                .header("X-CSRF-TOKEN", token)
                                                .header("Content-Type", "application/json")
                                                .POST(HttpRequest.BodyPublishers.ofString(
                                                        "{\"id\":\"" + event + "\",\"kind\":\"REP\"}"))
                                                .build(),
                                        BodyHandlers.discarding())
                                .statusCode()
                        == 200;
            } catch (IOException nobodyThere) {
                return false;
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return false;
            }
        }
    }

    private void untilAcknowledged(int more) throws InterruptedException {
        news.drainPermits();
        assertThat(news.tryAcquire(more, 90, TimeUnit.SECONDS))
                .as("telling goes on")
                .isTrue();
    }

    @Test
    void nothing_that_was_acknowledged_is_lost() throws Exception {
        int databasePort = freePort();
        int port = freePort();
        String base = "http://127.0.0.1:" + port;
        Database first = database(databasePort);
        Process app = app(first, port);

        ExecutorService tablets = Executors.newFixedThreadPool(SESSIONS);
        int begunSessions = 0;
        for (long client = 1; client <= 12 && begunSessions < SESSIONS; client++) {
            Tablet tablet = new Tablet(base);
            tablet.signIn();
            String session = tablet.session(client);
            if (session != null) {
                begunSessions++;
                tablets.execute(() -> tablet.tellUntilStopped(session));
            }
        }
        assertThat(begunSessions).isEqualTo(SESSIONS);

        untilAcknowledged(ACKNOWLEDGED_BEFORE_EACH_CRASH);
        app.destroyForcibly().waitFor();
        app(first, port);
        untilAcknowledged(ACKNOWLEDGED_BEFORE_EACH_CRASH);

        ProcessHandle.of(first.pid()).orElseThrow().destroyForcibly();
        first.process().waitFor();
        Database second = database(databasePort);
        untilAcknowledged(ACKNOWLEDGED_BEFORE_EACH_CRASH);
        going.set(false);
        tablets.shutdown();

        Set<String> kept = new HashSet<>();
        try (Connection there = DriverManager.getConnection(second.url(), "fernstep", second.owners());
                Statement sql = there.createStatement();
                ResultSet rows = sql.executeQuery("SELECT id FROM run_event")) {
            while (rows.next()) {
                kept.add(rows.getString(1));
            }
        }
        System.out.println(acknowledged.size() + " events acknowledged over two crashes");
        assertThat(kept).containsAll(acknowledged);
    }
}
