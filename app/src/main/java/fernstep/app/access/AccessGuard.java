package fernstep.app.access;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import fernstep.app.security.HouseToken;
import fernstep.app.security.SignedIn;
import fernstep.app.support.Audit;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Lazy;
import org.springframework.core.Ordered;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Before every route that names a client, a visit, a session or a picture: whose record it is, whether who asks may see
 * it, and a line in the audit trail. Who may not see it gets the same answer as for a number that does not exist.
 */
@Component
class AccessGuard implements HandlerInterceptor, WebMvcConfigurer {
    /** Routes whose first name is a client, a visit, a session or a picture. */
    private static final String RECORD = "(/api/v1)?/(clients|visits|sessions|photos)/\\{.*";

    private static final String API = "/api/v1";
    /** A rung or a figure can be asked for on behalf of a client. */
    private static final String FOR = "client";

    /** In the trail: nobody is signed in. */
    private static final long NOBODY = 0;

    private static final String PLAIN = "[0-9]{1,18}";
    private static final String UUID_SHAPE = "[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}";
    /** What the same person does to the same record on the same page is one line of the trail in this time. */
    private static final Duration ONE_LINE = Duration.ofMinutes(10);

    private static final int LINES_KNOWN = 20_000;

    private final Access access;
    private final Audit audit;
    private final Cache<Did, Boolean> told = Caffeine.newBuilder()
            .expireAfterWrite(ONE_LINE)
            .maximumSize(LINES_KNOWN)
            .build();

    private record Did(long staffId, long clientId, String what) {}

    AccessGuard(@Lazy Access access, @Lazy Audit audit) {
        this.access = access;
        this.audit = audit;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/**").order(Ordered.HIGHEST_PRECEDENCE);
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler)
            throws IOException {
        if (request.getDispatcherType() == DispatcherType.ERROR) {
            // the page that says so is about nobody, and what was sent may be too large to be read
            return true;
        }
        Object pattern = request.getAttribute(HandlerMapping.BEST_MATCHING_PATTERN_ATTRIBUTE);
        if (pattern == null || !aboutSomebody(pattern.toString(), request)) {
            return true;
        }
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who instanceof HouseToken token) {
            return mayRead(token, pattern.toString(), request, response);
        }
        if (who == null || !(who.getPrincipal() instanceof SignedIn me)) {
            return refuse(response);
        }
        Optional<Access.Standing> standing =
                clientOf(pattern.toString(), request).flatMap(id -> access.client(id, me.staffId()));
        if (standing.isEmpty()) {
            return refuse(response);
        }
        Access.Standing her = standing.get();
        boolean joining = pattern.equals("/clients/{id}/team") && me.isLead();
        if (!her.maySee() && !joining) {
            audit.record(me.staffId(), her.clientId(), "DENIED", pattern.toString());
            return refuse(response);
        }
        boolean writes = !request.getMethod().equals("GET");
        if (her.archived() && writes && !pattern.toString().startsWith("/clients/{id}/record")) {
            response.sendRedirect("/clients/" + her.clientId() + "/record");
            return false;
        }
        WhoseRecord.is(request, her.clientId());
        String what = request.getMethod() + " " + pattern;
        if (told.asMap().putIfAbsent(new Did(me.staffId(), her.clientId(), what), true) == null) {
            audit.record(me.staffId(), her.clientId(), writes ? "WRITE" : "READ", what);
        }
        return true;
    }

    /** A token is on nobody's team, and reads nobody who is archived. */
    private boolean mayRead(HouseToken token, String pattern, HttpServletRequest request, HttpServletResponse response)
            throws IOException {
        Optional<Access.Standing> her = clientOf(pattern, request)
                .flatMap(id -> access.client(id, NOBODY))
                .filter(standing -> standing.maySee() && !standing.archived());
        if (her.isEmpty()) {
            return refuse(response);
        }
        WhoseRecord.is(request, her.get().clientId());
        String what = request.getMethod() + " " + pattern + ", " + token.inTheTrail();
        if (told.asMap().putIfAbsent(new Did(NOBODY, her.get().clientId(), what), true) == null) {
            audit.record(NOBODY, her.get().clientId(), "READ", what);
        }
        return true;
    }

    private static boolean aboutSomebody(String pattern, HttpServletRequest request) {
        return pattern.matches(RECORD) || asked(request) != null;
    }

    private static @Nullable String asked(HttpServletRequest request) {
        String client = request.getParameter(FOR);
        return client == null || client.isBlank() ? null : client;
    }

    /** Which client a route is about: by the first part of its pattern and the first name in it, or by whom it is asked for. */
    private Optional<Long> clientOf(String route, HttpServletRequest request) {
        String pattern = route.startsWith(API) ? route.substring(API.length()) : route;
        if (!pattern.matches(RECORD)) {
            String asked = String.valueOf(asked(request));
            return asked.matches(PLAIN) ? Optional.of(Long.parseLong(asked)) : Optional.empty();
        }
        Object variables = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
        String name = pattern.replaceFirst("^/[a-z]+/\\{([^}]+)}.*", "$1");
        if (!(variables instanceof Map<?, ?> map) || !(map.get(name) instanceof String text)) {
            return Optional.empty();
        }
        if (pattern.startsWith("/sessions/")) {
            return text.matches(UUID_SHAPE) ? access.clientOfSession(text) : Optional.empty();
        }
        if (!text.matches(PLAIN)) {
            return Optional.empty();
        }
        long id = Long.parseLong(text);
        if (pattern.startsWith("/clients/")) {
            return Optional.of(id);
        }
        return pattern.startsWith("/visits/") ? access.clientOfVisit(id) : access.clientOfPhoto(id);
    }

    private static boolean refuse(HttpServletResponse response) throws IOException {
        response.sendError(HttpServletResponse.SC_NOT_FOUND);
        return false;
    }
}
