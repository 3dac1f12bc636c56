package fernstep.app;

import jakarta.servlet.Filter;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ExtensionContext.Namespace;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;

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
                            house.addInitializers(AppExtension::answeringLate);
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
     * looks before the answer is there fails each time and not one time in fifty.
     */
    private static void answeringLate(ConfigurableApplicationContext house) {
        int lateMs = Integer.getInteger("fern.slowAnswers", 0);
        if (lateMs > 0) {
            Filter late = (request, response, chain) -> {
                try {
                    Thread.sleep(lateMs);
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                }
                chain.doFilter(request, response);
            };
            ((GenericApplicationContext) house).registerBean("late", Filter.class, () -> late);
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
