package fernstep.app.support;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;
import org.springframework.web.filter.OncePerRequestFilter;

/** Outside of everything that needs the database: says so when it does not answer, with an id that stands in the log. */
@Configuration(proxyBeanMethods = false)
class DatabaseDownPage {
    private static final Logger LOG = LoggerFactory.getLogger(DatabaseDownPage.class);

    @Bean
    FilterRegistrationBean<Page> whenTheDatabaseDoesNotAnswer(Words words) {
        FilterRegistrationBean<Page> page = new FilterRegistrationBean<>(new Page(words));
        page.setDispatcherTypes(DispatcherType.REQUEST, DispatcherType.ERROR);
        page.setOrder(Ordered.HIGHEST_PRECEDENCE);
        return page;
    }

    static final class Page extends OncePerRequestFilter {
        private final Words words;

        Page(Words words) {
            this.words = words;
        }

        @Override
        protected boolean shouldNotFilterErrorDispatch() {
            return false;
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain rest)
                throws ServletException, IOException {
            if (request.getDispatcherType() == DispatcherType.ERROR && DatabaseDown.justNow()) {
                say(request, response, null);
                return;
            }
            try {
                rest.doFilter(request, response);
            } catch (RuntimeException | ServletException e) {
                if (!DatabaseDown.justNow() || response.isCommitted()) {
                    throw e;
                }
                say(request, response, e);
            }
        }

        private void say(HttpServletRequest request, HttpServletResponse response, @Nullable Exception problem)
                throws IOException {
            String id = UUID.randomUUID().toString().substring(0, 8);
            LOG.error(
                    "error {} the database does not answer, at {}: {}",
                    id,
                    request.getRequestURI(),
                    problem == null ? "" : problem.getClass().getSimpleName());
            response.reset();
            response.setStatus(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
            response.setHeader("Retry-After", "5");
            response.setContentType("text/html;charset=utf-8");
            response.getOutputStream().write(page(id).getBytes(StandardCharsets.UTF_8));
        }

        private String page(String id) {
            return "<!doctype html><html lang=\"en\"><head><meta charset=\"utf-8\"><title>Fern Step</title>"
                    + "<link rel=\"stylesheet\" href=\"/fern.css\"></head><body><main class=\"page\"><h1>"
                    + words.text("down.title")
                    + "</h1><p>"
                    + words.text("down.text")
                    + "</p><p><code class=\"error-id\">"
                    + id
                    + "</code></p></main></body></html>";
        }
    }
}
