package fernstep.app;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/** Takes the pictures of docs/screenshots from a demo that has just been filled: {@code ./fern screenshots}. */
public final class Screenshots {
    private final String base;
    private final Path folder;
    private Page page;

    private Screenshots(String base, Path folder) {
        this.base = base;
        this.folder = folder;
    }

    public static void main(String[] args) {
        try (Playwright playwright = Playwright.create(
                        new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
                Browser browser = launched(playwright)) {
            new Screenshots(args[0], Path.of(args[1])).take(browser);
        }
    }

    static Browser launched(Playwright playwright) {
        return playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(BrowserExtension.CHROMIUM)
                        .setArgs(List.of("--no-sandbox", "--disable-gpu", "--disable-background-networking")));
    }

    private void take(Browser browser) {
        signIn(browser, 1280, 800, ColorScheme.LIGHT);
        shot("board");
        page.click("text=Maribel Quint");
        whole("client");
        page.click("form[action$='/visit'] button");
        page.click("label[for=SCAR_TENDER]");
        page.waitForSelector("[data-outcome=ADAPT]");
        shot("ask");
        page.click("#outcome form[action$='/asked'] button");
        page.waitForSelector(".cell.picked");
        for (String key : new String[] {"2", ".", "2", ".", "2", ".", "2", "1", "2", "2", "2", "1", ".", "1"}) {
            page.keyboard().press(key);
        }
        page.waitForSelector("text=Area at rest");
        saved();
        shot("check");
        page.click("text=On to the plan");
        page.click("text=Use this plan and run");
        page.waitForSelector(".count .n");
        while (page.locator(".runner .side:text-is('left')").count() == 0) {
            String code = page.locator(".runner .code").textContent();
            page.click("text=Skip this");
            page.click("[data-choices=skip] [data-choice='1']");
            page.waitForFunction("was => document.querySelector('.runner .code').textContent !== was", code);
        }
        for (int rep = 0; rep < 3; rep++) {
            page.keyboard().press("Space");
        }
        page.click(".sign[data-code=DOME_FIRM]");
        page.waitForSelector(".advice .move >> text=Make it easier");
        shot("run");
        String session = page.url();
        page.navigate(base + "/");
        page.click("text=Freya Lindholm");
        page.click("form[action$='/visit'] button");
        page.click("#outcome form[action$='/asked'] button");
        page.click("text=On to the plan");
        page.waitForSelector(".plan-card");
        whole("plan");
        page.click("text=Compare two approaches");
        shot("compare");
        page.click("nav[aria-label=Visit] >> text=Progress");
        page.waitForSelector("#forecast svg");
        whole("progress");
        page.click("nav[aria-label=Visit] >> text=Calendar");
        shot("calendar");
        String freya = page.url().replaceAll(".*/clients/(\\d+)/.*", "$1");
        page.navigate(base + "/catalogue?client=" + freya);
        shot("catalogue");
        page.navigate(base + "/catalogue/F7?side=LEFT&client=" + freya);
        page.waitForTimeout(300);
        whole("rung");
        page.navigate(base + "/house/approaches");
        shot("approaches");
        page.navigate(base + "/");
        page.click("text=Hana Morioka");
        page.click("text=What changed");
        shot("changes");
        page.navigate(base + "/clients/4");
        page.click("text=Her record");
        page.waitForSelector("text=What was changed");
        shot("record");
        page.navigate(base + "/clients/4/traces");
        page.click("main .row-line a");
        page.waitForSelector(".overlay");
        page.waitForURL("**/traces/*");
        whole("traces");
        page.navigate(base + "/spotting?rung=F5");
        page.click("button:text-is('Start')");
        page.waitForTimeout(2500);
        shot("spotting");
        page.navigate(base + "/clients/4/home-link");
        page.click("form[action$='/home-link'] button");
        String link = page.locator("#fresh-link").textContent().replaceFirst("https?://[^/]+", base);
        String pin = page.locator("#fresh-pin").textContent();
        page.context().close();
        herOwnPage(browser, link, pin);

        signIn(browser, 390, 844, ColorScheme.DARK);
        page.navigate(session);
        page.waitForSelector(".count .n");
        page.waitForTimeout(400);
        shot("run-phone-dark");
        page.context().close();

        signIn(browser, 1280, 800, ColorScheme.LIGHT);
        page.navigate(session);
        page.waitForSelector(".count .n");
        page.keyboard().press("m");
        page.keyboard().press("4");
        page.keyboard().press("1");
        page.waitForSelector("table.record");
        shot("session");
        page.context().close();
    }

    private void saved() {
        com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat(page.locator(".saved"))
                .hasText("Saved");
    }

    /** Without an account, on a phone. */
    private void herOwnPage(Browser browser, String link, String pin) {
        page = browser.newContext(new Browser.NewContextOptions().setViewportSize(390, 844))
                .newPage();
        page.navigate(link);
        page.fill("#pin", pin);
        page.click("main button");
        page.click("text=None of these");
        page.click(".home-buttons .btn-primary");
        page.waitForSelector(".home-exercise:visible svg");
        shot("home-page");
        page.context().close();
    }

    private void signIn(Browser browser, int width, int height, ColorScheme scheme) {
        BrowserContext context = browser.newContext(
                new Browser.NewContextOptions().setViewportSize(width, height).setColorScheme(scheme));
        page = context.newPage();
        page.navigate(base + "/sign-in");
        page.fill("#username", "imogen");
        page.fill("#password", "tidemark-demo");
        page.click("main button");
    }

    private void shot(String name) {
        page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
    }

    private void whole(String name) {
        page.screenshot(new Page.ScreenshotOptions()
                .setPath(folder.resolve(name + ".png"))
                .setFullPage(true));
    }
}
