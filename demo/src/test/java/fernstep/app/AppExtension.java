package fernstep.app;

import jakarta.servlet.Filter;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Collections;
import java.util.Enumeration;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
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
    private static final long NANOS_PER_MS = 1_000_000;

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
                        type -> {
                            var house = new SpringApplication(FernStepApp.class);
                            house.addInitializers(AppExtension::onABadLine);
                            house.addInitializers(context -> ((GenericApplicationContext) context)
                                    .registerBean(MovableClock.class, bean -> bean.setPrimary(true)));
                            var c = house.run(
                                    "--server.port=0",
                                    "--server.address=127.0.0.1",
                                    "--fern.demo=true",
                                    // a machine with other work may stand still for seconds: its database is not down
                                    "--spring.datasource.hikari.connection-timeout=20000",
                                    "--spring.datasource.hikari.validation-timeout=15000",
                                    "--spring.datasource.hikari.data-source-properties.socketTimeout=20000",
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
     * fifth of what scripts write is taken and its answer lost, as on a bad line: what is sent again must not count twice. With
     * {@code -Dfern.twice=true} each form is handled twice, as after a second press: every write is safe to repeat.
     */
    private static void onABadLine(ConfigurableApplicationContext house) {
        int lateMs = Integer.getInteger("fern.slowAnswers", 0);
        int lostEvery = Integer.getInteger("fern.lostAnswers", 0);
        boolean twice = Boolean.getBoolean("fern.twice");
        AtomicInteger written = new AtomicInteger();
        if (lateMs > 0 || lostEvery > 0 || twice) {
            Filter line = (request, response, chain) -> {
                late(lateMs);
                HttpServletRequest asked = (HttpServletRequest) request;
                boolean form = asked.getMethod().equals("POST")
                        && String.valueOf(asked.getContentType()).startsWith("application/x-www-form-urlencoded");
                if (twice && form && !asked.getRequestURI().equals("/sign-in")) {
                    chain.doFilter(new ItsOwnAttributes(asked), new Unheard((HttpServletResponse) response));
                }
                boolean byScript = asked.getMethod().equals("POST") && asked.getHeader("X-Requested-With") != null;
                if (lostEvery > 0 && byScript && written.incrementAndGet() % lostEvery == 0) {
                    chain.doFilter(request, new Unheard((HttpServletResponse) response));
                    ((HttpServletResponse) response).setStatus(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
                } else {
                    chain.doFilter(request, response);
                }
            };
            ((GenericApplicationContext) house).registerBean("badLine", Filter.class, () -> line);
        }
    }

    /** What is noted with the first of two requests stays with it. */
    private static final class ItsOwnAttributes extends HttpServletRequestWrapper {
        private final Map<String, Object> own = new HashMap<>();

        ItsOwnAttributes(HttpServletRequest request) {
            super(request);
            Collections.list(request.getAttributeNames()).forEach(name -> own.put(name, request.getAttribute(name)));
        }

        @Override
        public Object getAttribute(String name) {
            return own.get(name);
        }

        @Override
        public Enumeration<String> getAttributeNames() {
            return Collections.enumeration(own.keySet());
        }

        @Override
        public void setAttribute(String name, Object value) {
            own.put(name, value);
        }

        @Override
        public void removeAttribute(String name) {
            own.remove(name);
        }
    }

    /** An answer that reaches nobody. */
    private static final class Unheard extends ContentCachingResponseWrapper {
        Unheard(HttpServletResponse response) {
            super(response);
        }

        @Override
        public void sendRedirect(String location) {}

        @Override
        public void sendError(int status) {}

        @Override
        public void sendError(int status, String message) {}

        @Override
        public void setStatus(int status) {}

        @Override
        public void setHeader(String name, String value) {}

        @Override
        public void addHeader(String name, String value) {}

        @Override
        public void setContentType(String type) {}

        @Override
        public void flushBuffer() {}
    }

    private static void late(int ms) {
        LockSupport.parkNanos(ms * NANOS_PER_MS);
    }

    @Override
    public void beforeAll(ExtensionContext ctx) {
        running(ctx);
    }

    @Override
    public boolean supportsParameter(ParameterContext context, ExtensionContext ctx) {
        var type = context.getParameter().getType();
        return type == Running.class || running(ctx).context().getBeanNamesForType(type).length > 0;
    }

    @Override
    public Object resolveParameter(ParameterContext context, ExtensionContext ctx) {
        var type = context.getParameter().getType();
        return type == Running.class ? running(ctx) : running(ctx).context().getBean(type);
    }
}
