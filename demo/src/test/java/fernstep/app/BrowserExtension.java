package fernstep.app;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ExtensionContext.Namespace;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;

/**
 * A headless Chromium (Debian's) for each thread that runs browser tests; injects a {@link Visitor}. With
 * {@code -Dfern.slowSteps=150} each step of a test takes that many milliseconds longer, so that a test that notes what
 * was there before only after its click fails each time.
 */
public final class BrowserExtension implements ParameterResolver {
    /**
     * The shell without windows first: tabs of the whole browser cost a process more each. Then the program itself rather
     * than Debian's wrapper, which makes every page a fifth slower.
     */
    static final Path CHROMIUM = Stream.of(
                    "/usr/lib/chromium/chromium-headless-shell", "/usr/lib/chromium/chromium", "/usr/bin/chromium")
            .map(Path::of)
            .filter(Files::isExecutable)
            .findFirst()
            .orElseThrow(() -> new IllegalStateException("Debian's chromium is missing"));

    private record Started(Playwright playwright, Browser browser) implements AutoCloseable {
        @Override
        public void close() {
            browser.close();
            playwright.close();
        }
    }

    private static Browser browser(ExtensionContext ctx) {
        return ctx.getRoot()
                // who drives a browser is one thread
                .getStore(Namespace.create(BrowserExtension.class, Thread.currentThread()))
                .getOrComputeIfAbsent(
                        Started.class,
                        type -> {
                            PlaywrightAssertions.setDefaultAssertionTimeout(Visitor.PATIENCE_MS);
                            Playwright playwright = Playwright.create(new Playwright.CreateOptions()
                                    .setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
                            return new Started(
                                    playwright,
                                    playwright
                                            .chromium()
                                            .launch(new BrowserType.LaunchOptions()
                                                    .setExecutablePath(CHROMIUM)
                                                    .setSlowMo(Integer.getInteger("fern.slowSteps", 0))
                                                    .setArgs(List.of(
                                                            "--no-sandbox",
                                                            "--disable-gpu",
                                                            "--disable-software-rasterizer",
                                                            "--disable-background-networking"))));
                        },
                        Started.class)
                .browser();
    }

    @Override
    public boolean supportsParameter(ParameterContext context, ExtensionContext ctx) {
        return context.getParameter().getType() == Visitor.class;
    }

    @Override
    public Object resolveParameter(ParameterContext context, ExtensionContext ctx) {
        return ctx.getStore(Namespace.create(ctx.getUniqueId()))
                .getOrComputeIfAbsent(
                        Visitor.class,
                        type -> new Visitor(
                                browser(ctx), AppExtension.running(ctx).baseUrl()),
                        Visitor.class);
    }
}
