package fernstep.app;

import jakarta.servlet.Filter;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ExtensionContext.Namespace;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;
import org.springframework.web.util.ContentCachingResponseWrapper;

/** Starts the application once per test JVM on a free loopback port; injects Running or any bean. */
public final class AppExtension implements BeforeAllCallback, ParameterResolver {
    /** The running application; closed at the end of the run. */
    public record Running(ConfigurableApplicationContext context, String baseUrl) implements AutoCloseable {
        @Override
        public void close() {
            context.close();
        }
    }

    static Running running(ExtensionContext ctx) {
        return ctx.getRoot()
                .getStore(Namespace.create(AppExtension.class))
                .getOrComputeIfAbsent(
                        Running.class,
                        k -> {
                            var house = new SpringApplication(FernStepApp.class);
                            house.addInitializers(AppExtension::onABadLine);
                            var c = house.run(
                                    "--server.port=0",
                                    "--server.address=127.0.0.1",
                                    "--fern.demo=true",
                                    // hundreds of sign-ins: the slowness of a password is not what is tested
                                    "--fern.password-strength=4",
                                    "--fern.pseudo-language=true");
                            int port = ((WebServerApplicationContext) c)
                                    .getWebServer()
                                    .getPort();
                            return new Running(c, "http://127.0.0.1:" + port);
                        },
                        Running.class);
    }

    /**
     * With {@code -Dfern.slowAnswers=300} whatever is asked for takes that many milliseconds longer, so that a test that
     * looks before the answer is there fails each time and not one time in fifty. With {@code -Dfern.lostAnswers=5} each
     * fifth of what scripts write is taken and its answer lost, as on a bad line: what is sent again must not count twice.
     */
    private static void onABadLine(ConfigurableApplicationContext house) {
        int lateMs = Integer.getInteger("fern.slowAnswers", 0);
        int lostEvery = Integer.getInteger("fern.lostAnswers", 0);
        AtomicInteger written = new AtomicInteger();
        if (lateMs > 0 || lostEvery > 0) {
            Filter line = (request, response, chain) -> {
                late(lateMs);
                HttpServletRequest asked = (HttpServletRequest) request;
                boolean byScript = asked.getMethod().equals("POST") && asked.getHeader("X-Requested-With") != null;
                if (lostEvery > 0 && byScript && written.incrementAndGet() % lostEvery == 0) {
                    chain.doFilter(request, new ContentCachingResponseWrapper((HttpServletResponse) response));
                    ((HttpServletResponse) response).setStatus(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
                } else {
                    chain.doFilter(request, response);
                }
            };
            ((GenericApplicationContext) house).registerBean("badLine", Filter.class, () -> line);
        }
    }

    private static void late(int ms) {
        try {
            Thread.sleep(ms);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void beforeAll(ExtensionContext ctx) {
        running(ctx);
    }

    @Override
    public boolean supportsParameter(ParameterContext p, ExtensionContext ctx) {
        var type = p.getParameter().getType();
        return type == Running.class || running(ctx).context().getBeanNamesForType(type).length > 0;
    }

    @Override
    public Object resolveParameter(ParameterContext p, ExtensionContext ctx) {
        var type = p.getParameter().getType();
        return type == Running.class ? running(ctx) : running(ctx).context().getBean(type);
    }
}
