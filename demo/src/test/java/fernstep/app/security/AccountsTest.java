package fernstep.app.security;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Visitor;
import java.io.ByteArrayInputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Isolated;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.jdbc.core.JdbcTemplate;

/** Accounts: made through a link, held by a rule for passwords, slowed down, closed. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
@Isolated("shuts accounts and addresses out")
class AccountsTest {
    private final Running app;
    private final JdbcTemplate sql;
    private final Passwords passwords;

    AccountsTest(Running app, JdbcTemplate sql, Passwords passwords) {
        this.app = app;
        this.sql = sql;
        this.passwords = passwords;
    }

    private String made(Page lead, String account) {
        lead.navigate(app.baseUrl() + "/house/people");
        lead.fill("#fullName", "New " + account);
        lead.fill("#username", account);
        lead.click("text=Create the account");
        return lead.locator(".one-time-link").textContent();
    }

    private static Page signIn(Page page, String base, String account, String password, String code) {
        page.navigate(base + "/sign-in");
        page.fill("#username", account);
        page.fill("#password", password);
        if (!code.isEmpty()) {
            page.evaluate("() => document.querySelector('main details').open = true");
            page.fill("[name=code]", code);
        }
        page.click("main form button");
        return page;
    }

    @Test
    void a_lead_makes_an_account_whose_owner_chooses_her_password_once(Visitor visitor) {
        Page lead = visitor.onATablet("imogen");
        String link = made(lead, "odette");
        visitor.checkAccessible();
        Page stranger = visitor.on(1280, 800);
        stranger.navigate(app.baseUrl() + link);
        stranger.fill("#password", "short");
        stranger.click("text=Save my password");
        visitor.see("At least 12 characters.");
        stranger.fill("#password", "P4ssw0rd!!!!");
        stranger.click("text=Save my password");
        visitor.see("This one is too common");
        stranger.fill("#password", "odette and a lamp");
        stranger.click("text=Save my password");
        visitor.see("Do not use the name of the account");
        visitor.checkAccessible();
        stranger.fill("#password", "marble lantern seven");
        stranger.click("text=Save my password");
        visitor.see("Your account is ready");
        signIn(stranger, app.baseUrl(), "odette", "marble lantern seven", "");
        stranger.waitForURL(app.baseUrl() + "/");
        assertThat(stranger.request().get(app.baseUrl() + link).status()).isEqualTo(404);
        assertThat(stranger.request().get(app.baseUrl() + "/house/people").status())
                .isEqualTo(403);

        // disabled: out at once, and not in again
        lead = visitor.onATablet("imogen");
        lead.navigate(app.baseUrl() + "/house/people");
        lead.click("tr[data-account=odette] button:text-is('Disable')");
        visitor.see("cannot sign in");
        stranger.navigate(app.baseUrl() + "/");
        assertThat(stranger).hasURL(app.baseUrl() + "/sign-in");
        signIn(stranger, app.baseUrl(), "odette", "marble lantern seven", "");
        assertThat(stranger.locator("[role=alert]")).containsText("Wrong name or password");
    }

    @Test
    void the_last_lead_stays(Visitor visitor) {
        Page lead = visitor.onATablet("imogen");
        lead.navigate(app.baseUrl() + "/house/people");
        lead.click("tr[data-account=imogen] button:text-is('Disable')");
        visitor.see("The practice needs one administrator");
        lead.uncheck("tr[data-account=imogen] [name=houseLead]");
        lead.click("tr[data-account=imogen] button:text-is('Change')");
        visitor.see("The practice needs one administrator");
    }

    @Test
    void with_a_second_factor_the_password_alone_does_not_sign_in_and_a_code_works_once(Visitor visitor)
            throws Exception {
        Page lead = visitor.onATablet("imogen");
        String link = made(lead, "philippa");
        Page page = visitor.on(1280, 800);
        page.navigate(app.baseUrl() + link);
        page.fill("#password", "marble lantern eight");
        page.click("text=Save my password");
        signIn(page, app.baseUrl(), "philippa", "marble lantern eight", "");
        page.waitForURL(app.baseUrl() + "/");
        page.navigate(app.baseUrl() + "/me");
        visitor.checkAccessible();
        String secret = page.locator("code").textContent();
        page.fill("#code", code(secret));
        page.fill("#factorNow", "marble lantern eight");
        page.click("text=Turn it on");
        page.locator("[role=status] code").first().waitFor();
        String[] recovery = page.locator("[role=status] code").allTextContents().toArray(String[]::new);
        assertThat(recovery).hasSize(10).doesNotHaveDuplicates();

        Page again = visitor.on(1280, 800);
        signIn(again, app.baseUrl(), "philippa", "marble lantern eight", "");
        assertThat(again.locator("[role=alert]")).containsText("Wrong name or password");
        String now = code(secret);
        signIn(again, app.baseUrl(), "philippa", "marble lantern eight", now);
        again.waitForURL(app.baseUrl() + "/");
        Page third = visitor.on(1280, 800);
        signIn(third, app.baseUrl(), "philippa", "marble lantern eight", now);
        assertThat(third.locator("[role=alert]")).containsText("Wrong name or password");
        signIn(third, app.baseUrl(), "philippa", "marble lantern eight", recovery[0].strip());
        third.waitForURL(app.baseUrl() + "/");
        Page fourth = visitor.on(1280, 800);
        signIn(fourth, app.baseUrl(), "philippa", "marble lantern eight", recovery[0].strip());
        assertThat(fourth.locator("[role=alert]")).containsText("Wrong name or password");
    }

    private static String code(String secret) throws Exception {
        var generator = new TimeBasedOneTimePasswordGenerator();
        return generator.generateOneTimePasswordString(
                new SecretKeySpec(new Base32().decode(secret), generator.getAlgorithm()), Instant.now());
    }

    private final HttpClient http = HttpClient.newHttpClient();

    /** Where a sign-in leads, from an address; the proxy before the app tells it. */
    private String tried(String account, String password, String address) throws Exception {
        return answered(account, password, address, "")
                .headers()
                .firstValue("location")
                .orElse("");
    }
    /** The same, told apart by what the device shows and gets. */
    private HttpResponse<String> answered(String account, String password, String address, String device)
            throws Exception {
        HttpResponse<String> page = http.send(
                HttpRequest.newBuilder(URI.create(app.baseUrl() + "/sign-in")).build(), BodyHandlers.ofString());
        String token = page.body().replaceAll("(?s).*name=\"_csrf\"[^>]*value=\"([^\"]+)\".*", "$1");
        return http.send(
                HttpRequest.newBuilder(URI.create(app.baseUrl() + "/sign-in"))
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .header("Cookie", cookie(page, "XSRF-TOKEN") + (device.isEmpty() ? "" : "; " + device))
                        .header("X-Forwarded-For", address)
                        .POST(HttpRequest.BodyPublishers.ofString("username=" + account + "&password=" + password
                                + "&_csrf=" + java.net.URLEncoder.encode(token, StandardCharsets.UTF_8)))
                        .build(),
                BodyHandlers.ofString());
    }

    /** "NAME=value" as it was set. */
    private static String cookie(HttpResponse<String> answer, String name) {
        return answer.headers().allValues("set-cookie").stream()
                .filter(set -> set.startsWith(name + "="))
                .findFirst()
                .orElseThrow()
                .split(";")[0];
    }

    @Test
    void who_tries_from_one_address_is_slowed_down_there_and_nobody_is_locked_out_elsewhere() throws Exception {
        for (int i = 0; i < 5; i++) {
            assertThat(tried("nobody.here", "wrong password " + i, "198.51.100.0"))
                    .endsWith("/sign-in?error");
        }
        assertThat(tried("nobody.here", "wrong again", "198.51.100.0")).contains("?wait=");
        assertThat(tried("nobody.here", "wrong again", "198.51.100.9")).endsWith("/sign-in?error");
        assertThat(tried("ilse", "tidemark-demo", "198.51.100.0")).endsWith("/");
    }

    @Test
    void a_device_that_is_known_goes_on_while_others_at_its_address_wait() throws Exception {
        String device = cookie(answered("ilse", "tidemark-demo", "198.51.100.20", ""), "FERN_DEVICE");
        for (int i = 0; i < 5; i++) {
            tried("ilse", "wrong password " + i, "198.51.100.20");
        }
        assertThat(tried("ilse", "tidemark-demo", "198.51.100.20")).contains("?wait=");
        assertThat(answered("ilse", "tidemark-demo", "198.51.100.20", device)
                        .headers()
                        .firstValue("location"))
                .hasValueSatisfying(to -> assertThat(to).endsWith("/"));
        // known for her, not for everybody
        for (int i = 0; i < 5; i++) {
            answered("nobody.else", "wrong password " + i, "198.51.100.21", device);
        }
        assertThat(answered("nobody.else", "wrong again", "198.51.100.21", device)
                        .headers()
                        .firstValue("location"))
                .hasValueSatisfying(to -> assertThat(to).contains("?wait="));
    }

    @Test
    void of_sixty_tries_at_the_same_moment_no_more_are_judged_than_one_after_the_other() throws Exception {
        List<Callable<String>> all = IntStream.range(0, 60)
                .mapToObj(number ->
                        (Callable<String>) () -> tried("at.once", "wrong password " + number, "198.51.100.30"))
                .toList();
        ExecutorService crowd = Executors.newFixedThreadPool(all.size());
        int judged = 0;
        try {
            for (Future<String> one : crowd.invokeAll(all)) {
                judged += one.get().endsWith("?error") ? 1 : 0;
            }
        } finally {
            crowd.shutdownNow();
        }
        assertThat(judged).isLessThanOrEqualTo(5);
    }

    @ParameterizedTest
    @CsvSource({
        // failures, seconds since the last, free ones, wait: 2 s at the limit, doubled by each further one, 15 min at
        // most
        "4, 0, 5, 0",
        "5, 0, 5, 2",
        "5, 2, 5, 0",
        "6, 0, 5, 4",
        "8, 6, 5, 10",
        "14, 0, 5, 900",
        "60, 100, 5, 800"
    })
    void every_further_failure_doubles_the_wait(int failures, int ago, int free, long wait) {
        assertThat(SignInTries.wait(new SignInTries.Failures(failures, ago), free))
                .isEqualTo(wait);
    }

    @Test
    void every_answer_says_what_a_page_may_not_do() throws Exception {
        HttpResponse<String> page = http.send(
                HttpRequest.newBuilder(URI.create(app.baseUrl() + "/sign-in")).build(), BodyHandlers.ofString());
        assertThat(page.headers().firstValue("Permissions-Policy"))
                .hasValueSatisfying(
                        policy -> assertThat(policy).contains("microphone=()").contains("geolocation=()"));
        assertThat(page.headers().firstValue("Cross-Origin-Opener-Policy")).contains("same-origin");
        assertThat(page.headers().firstValue("Cross-Origin-Resource-Policy")).contains("same-origin");
        assertThat(page.headers().firstValue("Content-Security-Policy"))
                .hasValueSatisfying(policy ->
                        assertThat(policy).contains("script-src 'self';").doesNotContain("unsafe"));
    }

    @Test
    void strangers_leave_no_session_behind() throws Exception {
        long before = sessions();
        for (String path : new String[] {"/", "/sign-in", "/clients/1", "/nowhere", "/join/nothing"}) {
            http.send(HttpRequest.newBuilder(URI.create(app.baseUrl() + path)).build(), BodyHandlers.discarding());
        }
        assertThat(sessions()).isLessThanOrEqualTo(before);
    }

    @Test
    void a_request_that_says_too_much_is_refused_whether_or_not_it_says_how_much() throws Exception {
        byte[] much = new byte[3 << 20];
        for (HttpRequest.BodyPublisher body : List.of(
                HttpRequest.BodyPublishers.ofByteArray(much),
                HttpRequest.BodyPublishers.ofInputStream(() -> new ByteArrayInputStream(much)))) {
            HttpResponse<String> answer = http.send(
                    HttpRequest.newBuilder(URI.create(app.baseUrl() + "/sign-in"))
                            .header("Content-Type", "application/x-www-form-urlencoded")
                            .POST(body)
                            .build(),
                    BodyHandlers.ofString());
            assertThat(answer.statusCode()).isBetween(400, 499);
            assertThat(answer.body()).doesNotContain("Exception");
        }
    }

    private long sessions() {
        Long count = sql.queryForObject("SELECT COUNT(*) FROM SPRING_SESSION WHERE PRINCIPAL_NAME IS NULL", Long.class);
        return count == null ? 0 : count;
    }

    @ParameterizedTest
    @CsvSource({
        "tidemark-demo, true",
        "eleven char, false",
        "password12345678, false",
        "123456789012, false",
        "aaaabbbbaaaabbbb, false",
        "q-w-e-r-t-y-u-i-o-p, false",
        "ilse likes long walks, false",
        "qwertyuiop[]asdf, false",
        "a lamp for the fern, true"
    })
    void a_password_is_long_and_neither_common_nor_the_accounts_name(String password, boolean taken) {
        assertThat(passwords.problem(password, "ilse") == null).isEqualTo(taken);
    }
}
