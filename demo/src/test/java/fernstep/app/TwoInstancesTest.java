package fernstep.app;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.app.security.Accounts;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.net.http.WebSocket;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Isolated;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.logging.LoggingSystem;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;

/** Instances on a database of their own: two that meet when it is empty, as when a house starts both at once, and one whose database stalls. */
@Isolated("a database that stalls is down for every instance in the process")
class TwoInstancesTest {
    private static final String URL = System.getenv("FERN_DB_URL").replaceFirst("/[a-z]+$", "/fernstep_restored");
    private static final String ACCOUNT = "somebody_else";
    private static final String PASSWORD = System.getenv("FERN_DB_OWNER_PASSWORD");

    /** Two applications in one process have one log between them: neither sets it up while the other is at it. */
    @BeforeEach
    void one_log() {
        System.setProperty(LoggingSystem.SYSTEM_PROPERTY, LoggingSystem.NONE);
    }

    @AfterEach
    void the_log_as_it_was() {
        System.clearProperty(LoggingSystem.SYSTEM_PROPERTY);
    }

    @BeforeEach
    void an_empty_database() throws Exception {
        try (Connection there = DriverManager.getConnection(URL, ACCOUNT, PASSWORD);
                Statement sql = there.createStatement()) {
            sql.execute("DROP DATABASE fernstep_restored");
            sql.execute("CREATE DATABASE fernstep_restored");
        }
    }

    private static ConfigurableApplicationContext instance(boolean demo) {
        return instance(demo, URL);
    }

    private static ConfigurableApplicationContext instance(boolean demo, String url, String... more) {
        String[] settings = {
            "--server.port=0",
            "--server.address=127.0.0.1",
            "--fern.demo=" + demo,
            "--spring.datasource.url=" + url,
            "--spring.datasource.username=" + ACCOUNT,
            "--spring.datasource.password=" + PASSWORD,
            "--spring.flyway.url=" + url,
            "--spring.flyway.user=" + ACCOUNT,
            "--spring.flyway.password=" + PASSWORD
        };
        return new SpringApplication(FernStepApp.class)
                .run(Stream.concat(Arrays.stream(settings), Arrays.stream(more)).toArray(String[]::new));
    }

    /** Somebody who has the form for the first account open. */
    private record FirstForm(HttpClient http, URI page, String token) {
        static FirstForm openedAt(ConfigurableApplicationContext at) throws Exception {
            HttpClient http =
                    HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
            URI page = URI.create("http://127.0.0.1:"
                    + ((WebServerApplicationContext) at).getWebServer().getPort() + "/first-account");
            HttpResponse<String> form = http.send(HttpRequest.newBuilder(page).build(), BodyHandlers.ofString());
            assertThat(form.statusCode()).isEqualTo(200);
            return new FirstForm(
                    http, page, form.body().replaceAll("(?s).*name=\"_csrf\"[^>]*value=\"([^\"]+)\".*", "$1"));
        }

        /** Where it leads. */
        String sent(String name) throws Exception {
            return http.send(
                            HttpRequest.newBuilder(page)
                                    .header("Content-Type", "application/x-www-form-urlencoded")
                                    .POST(HttpRequest.BodyPublishers.ofString("fullName=First+One&username=" + name
                                            + "&password=marble+lantern+nine&licence=THERAPIST&_csrf="
                                            + URLEncoder.encode(token, StandardCharsets.UTF_8)))
                                    .build(),
                            BodyHandlers.discarding())
                    .headers()
                    .firstValue("location")
                    .orElse("");
        }
    }

    @Test
    void a_database_that_stops_answering_gives_a_page_that_says_so_and_is_there_again_when_it_answers()
            throws Exception {
        int there = URI.create(URL.substring("jdbc:".length())).getPort();
        try (StallingLine line = new StallingLine(there);
                ConfigurableApplicationContext up = instance(
                        false,
                        URL.replace(":" + there, ":" + line.port()),
                        "--spring.datasource.hikari.data-source-properties.socketTimeout=500",
                        "--spring.datasource.hikari.connection-timeout=500",
                        "--spring.datasource.hikari.validation-timeout=300")) {
            HttpRequest first = HttpRequest.newBuilder(URI.create("http://127.0.0.1:"
                            + ((WebServerApplicationContext) up).getWebServer().getPort() + "/first-account"))
                    .timeout(Duration.ofSeconds(30))
                    .build();
            HttpClient http = HttpClient.newHttpClient();
            assertThat(http.send(first, BodyHandlers.discarding()).statusCode()).isEqualTo(200);
            line.stall(true);
            HttpResponse<String> down = http.send(first, BodyHandlers.ofString());
            assertThat(down.statusCode()).isEqualTo(503);
            assertThat(down.headers().firstValue("retry-after")).isPresent();
            assertThat(down.body()).contains("<html").doesNotContain("Exception");
            line.stall(false);
            HttpResponse<Void> again = http.send(first, BodyHandlers.discarding());
            // it is not asked again at once: those who wait would all come at the same moment
            for (int tries = 0; again.statusCode() != 200 && tries < 100; tries++) {
                LockSupport.parkNanos(200_000_000L);
                again = http.send(first, BodyHandlers.discarding());
            }
            assertThat(again.statusCode()).isEqualTo(200);
        }
    }

    @Test
    void a_device_that_says_nothing_is_not_kept() throws Exception {
        try (ConfigurableApplicationContext up = instance(false, URL, "--fern.device-silent-at-most=1s")) {
            CompletableFuture<Integer> closed = new CompletableFuture<>();
            WebSocket silent = HttpClient.newHttpClient()
                    .newWebSocketBuilder()
                    .buildAsync(
                            URI.create("ws://127.0.0.1:"
                                    + ((WebServerApplicationContext) up)
                                            .getWebServer()
                                            .getPort()
                                    + "/device"),
                            new WebSocket.Listener() {
                                @Override
                                public CompletionStage<?> onClose(WebSocket from, int status, String why) {
                                    closed.complete(status);
                                    return null;
                                }
                            })
                    .join();
            // looked after every ten seconds
            assertThat(closed.get(60, TimeUnit.SECONDS)).isPositive();
            assertThat(silent.isInputClosed()).isTrue();
        }
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void both_come_up_and_the_house_is_filled_once(boolean demo) throws Exception {
        ExecutorService both = Executors.newFixedThreadPool(2);
        try {
            List<Future<ConfigurableApplicationContext>> starting =
                    List.of(both.submit(() -> instance(demo)), both.submit(() -> instance(demo)));
            try (ConfigurableApplicationContext one = starting.get(0).get();
                    ConfigurableApplicationContext other = starting.get(1).get()) {
                for (ConfigurableApplicationContext up : List.of(one, other)) {
                    assertThat(up.getBean(Accounts.class).all()).hasSize(demo ? 4 : 0);
                    Integer clients =
                            up.getBean(JdbcTemplate.class).queryForObject("SELECT COUNT(*) FROM client", Integer.class);
                    assertThat(clients).isEqualTo(demo ? 12 : 0);
                }
                if (!demo) {
                    FirstForm here = FirstForm.openedAt(one);
                    FirstForm there = FirstForm.openedAt(other);
                    List<Future<String>> first = List.of(
                            both.submit(() -> here.sent("first.one")), both.submit(() -> there.sent("first.other")));
                    List<String> led = List.of(first.get(0).get(), first.get(1).get());
                    assertThat(one.getBean(Accounts.class).all())
                            .as("one of two who ask at the same moment is first: %s", led)
                            .hasSize(1);
                    assertThat(led).allMatch(text -> text.contains("/sign-in"));
                }
            }
        } finally {
            both.shutdownNow();
        }
    }
}
