package fernstep.app;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.util.List;
import java.util.Map;

/**
 * From the press of a sign to its answer on the screen, of a running demo on loopback: {@code bench/run taps URL}. Each
 * press is taken back before the next; the time ends with the first picture that shows the answer.
 */
public final class TapTimes {
    private static final int TAPS = 200;
    private static final List<String> SIGNS = List.of("1", "2", "3", "6");

    private static final String WATCH = """
            () => {
              window.taps = [];
              window.answerShown = () => [...document.querySelectorAll('.advice .move:not(.cue)')].some((e) => e.offsetParent);
              document.addEventListener('keydown', (e) => {
                if (!/^[0-9]$/.test(e.key)) { return; }
                const from = performance.now();
                const look = () => window.requestAnimationFrame(() => {
                  if (window.answerShown()) { window.taps.push(performance.now() - from); } else { look(); }
                });
                look();
              }, true);
            }""";

    private TapTimes() {}

    public static void main(String[] args) {
        try (Playwright playwright = Playwright.create(
                        new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
                Browser browser = Screenshots.launched(playwright)) {
            Page page = browser.newPage(new Browser.NewPageOptions().setViewportSize(1280, 800));
            inASession(page, args[0]);
            page.evaluate(WATCH);
            for (int tap = 0; tap < TAPS; tap++) {
                page.keyboard().press(SIGNS.get(tap % SIGNS.size()));
                page.waitForFunction("n => window.taps.length === n", tap + 1);
                page.keyboard().press("u");
                page.waitForFunction("() => !window.answerShown()");
                // as fast as a practitioner would be at the most
                page.waitForTimeout(150);
            }
            print(((List<?>) page.evaluate("() => window.taps"))
                    .stream()
                            .mapToDouble(thing -> ((Number) thing).doubleValue())
                            .sorted()
                            .toArray());
        }
    }

    private static void inASession(Page page, String base) {
        page.navigate(base + "/sign-in");
        page.fill("#username", "imogen");
        page.fill("#password", "tidemark-demo");
        page.click("main button");
        page.click("text=Maribel Quint");
        page.click("form[action$='/visit'] button");
        page.click("#outcome form[action$='/asked'] button");
        page.click("text=On to the plan");
        page.click("text=Use this plan and run");
        page.waitForSelector(".count .n");
        page.waitForFunction("() => { const r = Alpine.$data(document.querySelector('[x-data=runner]'));"
                + " return r.s && r.answers[r.s.answersKey]; }");
    }

    private static void print(double[] ms) {
        System.out.printf(
                "%d taps, to the answer on the screen: median %.0f ms (budget 50), 95 %% %.0f ms (budget 100), worst %.0f ms%n",
                ms.length, ms[ms.length / 2], ms[ms.length * 95 / 100], ms[ms.length - 1]);
    }
}
