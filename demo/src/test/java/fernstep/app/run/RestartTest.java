package fernstep.app.run;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.FernStepApp;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.ask.Visits;
import fernstep.core.approach.Approach;
import fernstep.core.findings.SignCode;
import fernstep.core.session.Exercise;
import java.io.IOException;
import java.net.ServerSocket;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Isolated;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** The server goes away in mid-session and comes back: nothing told is lost, and nobody signs in again. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
@Isolated("another instance on the same database")
class RestartTest {
    private static final int IMOGEN = 1;

    private final Running app;
    private final Runner runner;
    private final Visits visits;

    RestartTest(Running app, Runner runner, Visits visits) {
        this.app = app;
        this.runner = runner;
        this.visits = visits;
    }

    private static ConfigurableApplicationContext instanceOn(int port) {
        return new SpringApplication(FernStepApp.class)
                .run("--server.port=" + port, "--server.address=127.0.0.1", "--fern.demo=false");
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    @Test
    void a_restart_of_the_app_in_mid_session_loses_nothing_that_was_told(Visitor visitor) throws IOException {
        long client = Someone.firm(app.context(), "Restart Person", Approach.SLOW_LADDER, 20);
        long visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        String session = runner.start(visit, UUID.randomUUID().toString(), null, IMOGEN);
        int port = freePort();
        String base = "http://127.0.0.1:" + port;
        Page page;
        try (ConfigurableApplicationContext before = instanceOn(port)) {
            assertThat(before.isRunning()).isTrue();
            page = visitor.on(1280, 800);
            page.navigate(base + "/sign-in");
            page.fill("#username", "imogen");
            page.fill("#password", "tidemark-demo");
            page.click("main button");
            page.waitForURL(base + "/");
            page.navigate(base + "/sessions/" + session);
            page.waitForFunction("() => { const r = Alpine.$data(document.querySelector('[x-data=runner]'));"
                    + " return r.s && r.answers[r.s.answersKey]; }");
            page.keyboard().press("Space");
            page.waitForFunction("() => Alpine.$data(document.querySelector('[x-data=runner]')).queue.length === 0");
        }
        page.keyboard().press("Space");
        page.keyboard().press("1");
        visitor.see("No connection:");
        assertThat(page.locator(".count .n")).hasText("2");
        assertThat(runner.replay(session).exercises().get(0).repsDone()).isEqualTo(1);
        try (ConfigurableApplicationContext after = instanceOn(port)) {
            assertThat(after.isRunning()).isTrue();
            page.waitForFunction(
                    "() => Alpine.$data(document.querySelector('[x-data=runner]')).queue.length === 0",
                    null,
                    new Page.WaitForFunctionOptions().setTimeout(30_000));
            Exercise now = runner.replay(session).exercises().get(0);
            assertThat(now.repsDone()).isEqualTo(2);
            assertThat(now.signs()).containsExactly(SignCode.BREATH_HELD);
            page.reload();
            assertThat(page.locator(".count .n")).hasText("2");
        }
    }
}
