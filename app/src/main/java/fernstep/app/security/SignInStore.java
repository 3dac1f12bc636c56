package fernstep.app.security;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.core.env.Environment;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.session.Session;
import org.springframework.session.SessionRepository;
import org.springframework.session.web.http.SessionRepositoryFilter;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Sign-ins as they are stored, with less to and fro: read once a request instead of twice, and touched once a minute instead
 * of at every request of every tablet. Whatever else changes in one is written at once, and another request reads it anew.
 * What a page asks for by itself touches none, and none lasts longer than a working day.
 */
@Configuration(proxyBeanMethods = false)
class SignInStore {
    /** Who left the tablet lying is signed out after three quarters of an hour: a minute sooner harms nobody. */
    private static final Duration TOUCHED_EVERY = Duration.ofMinutes(1);

    private static final ThreadLocal<Touched<?>> OF_THIS_REQUEST = new ThreadLocal<>();
    /** The request comes from a page that nobody need be looking at. */
    private static final ThreadLocal<Boolean> BY_ITSELF = ThreadLocal.withInitial(() -> false);

    @Bean
    static BeanPostProcessor quietSessions(Environment settings) {
        Duration longest = settings.getRequiredProperty("fern.sign-in-ends-after", Duration.class);
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                return bean instanceof SessionRepository<?> stored ? new Quiet<>(stored, longest) : bean;
            }
        };
    }

    /** A stream, or a script that asks again and again: it says so. */
    private static boolean byItself(HttpServletRequest request) {
        String accept = request.getHeader(HttpHeaders.ACCEPT);
        return "poll".equals(request.getHeader("X-Requested-With"))
                || (accept != null && accept.contains(MediaType.TEXT_EVENT_STREAM_VALUE));
    }

    /** Nothing of a request is left on its thread for the next. */
    @Component
    @Order(SignInStore.OUTERMOST)
    static class EndOfRequest extends OncePerRequestFilter {
        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain rest)
                throws ServletException, IOException {
            try {
                OF_THIS_REQUEST.remove();
                BY_ITSELF.set(byItself(request));
                rest.doFilter(request, response);
            } finally {
                OF_THIS_REQUEST.remove();
                BY_ITSELF.remove();
            }
        }

        @Override
        protected boolean shouldNotFilterAsyncDispatch() {
            return false;
        }

        @Override
        protected boolean shouldNotFilterErrorDispatch() {
            return false;
        }
    }

    static final int OUTERMOST = Ordered.HIGHEST_PRECEDENCE;

    static {
        if (OUTERMOST >= SessionRepositoryFilter.DEFAULT_ORDER) {
            throw new IllegalStateException("outside of the filter that reads the sign-ins");
        }
    }

    private record Quiet<S extends Session>(SessionRepository<S> stored, Duration longest)
            implements SessionRepository<Touched<S>> {
        @Override
        public Touched<S> createSession() {
            return new Touched<>(stored.createSession());
        }

        @Override
        public void save(Touched<S> session) {
            stored.save(session.stored);
            OF_THIS_REQUEST.set(session);
        }

        @Override
        @SuppressWarnings("unchecked")
        public @Nullable Touched<S> findById(String id) {
            Touched<?> here = OF_THIS_REQUEST.get();
            if (here != null && here.getId().equals(id)) {
                return (Touched<S>) here;
            }
            S found = stored.findById(id);
            if (found == null) {
                return null;
            }
            if (found.getCreationTime().plus(longest).isBefore(Instant.now())) {
                stored.deleteById(id);
                return null;
            }
            return new Touched<>(found);
        }

        @Override
        public void deleteById(String id) {
            OF_THIS_REQUEST.remove();
            stored.deleteById(id);
        }
    }

    private static final class Touched<S extends Session> implements Session {
        private final S stored;

        Touched(S stored) {
            this.stored = stored;
        }

        @Override
        public void setLastAccessedTime(Instant at) {
            if (!BY_ITSELF.get() && !at.isBefore(stored.getLastAccessedTime().plus(TOUCHED_EVERY))) {
                stored.setLastAccessedTime(at);
            }
        }

        @Override
        public String getId() {
            return stored.getId();
        }

        @Override
        public String changeSessionId() {
            return stored.changeSessionId();
        }

        @Override
        @SuppressWarnings("TypeParameterUnusedInFormals")
        public <T> @Nullable T getAttribute(String name) {
            return stored.getAttribute(name);
        }

        @Override
        public Set<String> getAttributeNames() {
            return stored.getAttributeNames();
        }

        @Override
        public void setAttribute(String name, @Nullable Object value) {
            if (value == null) {
                stored.removeAttribute(name);
            } else {
                stored.setAttribute(name, value);
            }
        }

        @Override
        public void removeAttribute(String name) {
            stored.removeAttribute(name);
        }

        @Override
        public Instant getCreationTime() {
            return stored.getCreationTime();
        }

        @Override
        public Instant getLastAccessedTime() {
            return stored.getLastAccessedTime();
        }

        @Override
        public void setMaxInactiveInterval(Duration interval) {
            stored.setMaxInactiveInterval(interval);
        }

        @Override
        public Duration getMaxInactiveInterval() {
            return stored.getMaxInactiveInterval();
        }

        @Override
        public boolean isExpired() {
            return stored.isExpired();
        }
    }
}
