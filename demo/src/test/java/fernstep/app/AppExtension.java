package fernstep.app;

import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ExtensionContext.Namespace;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;

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
                            var c = new SpringApplication(FernStepApp.class)
                                    .run(
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
