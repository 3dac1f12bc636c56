package fernstep.app;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Playwright;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ExtensionContext.Namespace;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;

/** One headless Chromium (Debian's) for all browser tests; injects a {@link Visitor}. */
public final class BrowserExtension implements ParameterResolver {
    private static final Path WITHOUT_WRAPPER = Path.of("/usr/lib/chromium/chromium");

    /** The program itself where it is where Debian puts it: what the wrapper adds makes every page a fifth slower. */
    private static final Path CHROMIUM =
            Files.isExecutable(WITHOUT_WRAPPER) ? WITHOUT_WRAPPER : Path.of("/usr/bin/chromium");

    private record Started(Playwright playwright, Browser browser) implements AutoCloseable {
        @Override
        public void close() {
            browser.close();
            playwright.close();
        }
    }

    private static Browser browser(ExtensionContext ctx) {
        return ctx.getRoot()
                .getStore(Namespace.create(BrowserExtension.class))
                .getOrComputeIfAbsent(
                        Started.class,
                        k -> {
                            Playwright playwright = Playwright.create(new Playwright.CreateOptions()
                                    .setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
                            return new Started(
                                    playwright,
                                    playwright
                                            .chromium()
                                            .launch(new BrowserType.LaunchOptions()
                                                    .setExecutablePath(CHROMIUM)
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
    public boolean supportsParameter(ParameterContext p, ExtensionContext ctx) {
        return p.getParameter().getType() == Visitor.class;
    }

    @Override
    public Object resolveParameter(ParameterContext p, ExtensionContext ctx) {
        return ctx.getStore(Namespace.create(ctx.getUniqueId()))
                .getOrComputeIfAbsent(
                        Visitor.class,
                        k -> new Visitor(browser(ctx), AppExtension.running(ctx).baseUrl()),
                        Visitor.class);
    }
}
