package fernstep.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIRequestContext;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.ReducedMotion;
import com.microsoft.playwright.options.RequestOptions;
import com.microsoft.playwright.options.ServiceWorkerPolicy;
import java.io.IOException;
import java.io.InputStream;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Someone at a browser: signs in, goes about, and fails on any script error. Closed with its test. */
public final class Visitor implements AutoCloseable {
    /** So long a step or what a page shall show may take: a machine with other work still answers, and nothing waits longer than it has to. */
    static final double PATIENCE_MS = 45_000;

    private static final Pattern CSRF = Pattern.compile("name=\"csrf\" content=\"([^\"]+)\"");

    private final Browser browser;
    private final String baseUrl;
    private final List<String> errors = new ArrayList<>();
    private BrowserContext context;
    private Page page;
    private ServiceWorkerPolicy keeping = ServiceWorkerPolicy.BLOCK;
    private boolean touching;

    Visitor(Browser browser, String baseUrl) {
        this.browser = browser;
        this.baseUrl = baseUrl;
    }

    /** From now on pages are kept in the browser as they are for users: for tests of what works without a connection. */
    public Visitor keepingPages() {
        keeping = ServiceWorkerPolicy.ALLOW;
        return this;
    }

    /** From now on with a finger rather than a mouse. */
    public Visitor touching() {
        touching = true;
        return this;
    }

    public Page on(int width, int height) {
        return on(width, height, "en");
    }

    public Page on(int width, int height, String language) {
        context = browser.newContext(
                // what moves at its tempo keeps the machine busy without being looked at
                new Browser.NewContextOptions()
                        .setViewportSize(width, height)
                        .setLocale(language)
                        .setServiceWorkers(keeping)
                        .setHasTouch(touching)
                        .setReducedMotion(ReducedMotion.REDUCE));
        context.setDefaultTimeout(PATIENCE_MS);
        page = context.newPage();
        page.onPageError(errors::add);
        page.onConsoleMessage(message -> {
            if (message.type().equals("error") && message.text().contains("Content Security Policy")) {
                errors.add(message.text());
            }
        });
        return page;
    }

    public Page onATablet(String account) {
        return signIn(on(1280, 800), account);
    }

    public Page onAPhone(String account) {
        return signIn(on(390, 844), account);
    }

    /** Signed in with a browser that asks for the made-up language. */
    public Page inThePseudoLanguage(int width, int height, String account) {
        return signIn(on(width, height, "en-XA"), account);
    }

    /** Signed in on a tablet, with the board open. */
    public Page onTheBoard(String account) {
        Page board = onATablet(account);
        board.navigate(baseUrl + "/");
        return board;
    }

    /** As the form does it, without drawing two pages that the test is not about. */
    private Page signIn(Page at, String account) {
        APIRequestContext requests = at.context().request();
        Matcher token = CSRF.matcher(requests.get(baseUrl + "/sign-in").text());
        assertThat(token.find()).as("a form to sign in with").isTrue();
        APIResponse answer = requests.post(
                baseUrl + "/sign-in",
                RequestOptions.create()
                        .setForm(FormData.create()
                                .set("_csrf", token.group(1))
                                .set("username", account)
                                .set("password", "tidemark-demo"))
                        .setMaxRedirects(0));
        assertThat(answer.headers().get("location"))
                .as("where " + account + " is led to")
                .doesNotContain("/sign-in");
        return at;
    }

    public BrowserContext context() {
        return context;
    }

    public void open(String path) {
        page.navigate(baseUrl + path);
    }

    /** Finds a client on the board, which shows only the most urgent at first. */
    public void openClient(String name) {
        open("/?q=" + URLEncoder.encode(name, StandardCharsets.UTF_8));
        page.click("#rows a >> text=" + name);
    }

    /** Opens a client from the board and today's questions. */
    public void startVisit(String client) {
        openClient(client);
        page.click("form[action$='/visit'] button");
    }

    public Locator see(String text) {
        Locator found = page.getByText(text, new Page.GetByTextOptions().setExact(false))
                .first();
        found.waitFor();
        return found;
    }

    /** Fails on what axe finds at level A or AA on the page as it stands. */
    public void checkAccessible() {
        // Not while a part of the page is still on its way: it would be judged half-drawn.
        page.waitForFunction("() => !document.querySelector('[aria-busy=true], #forecast [role=status]')");
        try (InputStream in = Visitor.class.getResourceAsStream("/axe.min.js")) {
            page.evaluate(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new AssertionError(e);
        }
        Object found = page.evaluate(
                "async () => (await axe.run({runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'],"
                        + " resultTypes: ['violations'], preload: false})).violations"
                        + ".map(v => v.id + ': ' + v.nodes.slice(0, 3).map(n => n.target.join(' ')).join(' | '))");
        assertThat((List<?>) found).as("accessibility of " + page.url()).isEmpty();
    }

    public void assertNoScriptErrors() {
        assertThat(errors).isEmpty();
    }

    @Override
    public void close() {
        if (context != null) {
            context.close();
        }
        assertNoScriptErrors();
    }
}
