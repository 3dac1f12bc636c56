package fernstep.app.standing;

import fernstep.app.access.WhoseRecord;
import fernstep.app.support.Words;
import fernstep.app.support.Work;
import fernstep.core.standing.Permission;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Lazy;
import org.springframework.core.Ordered;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tools.jackson.databind.json.JsonMapper;

/**
 * The one lock before every route about a client: while an emergency stands nothing is prescribed or begun, while something
 * has to be looked at first nothing is begun. Services ask the same question; this keeps a route that is added later closed.
 */
@Component
@ControllerAdvice
class TrainingGuard implements HandlerInterceptor, WebMvcConfigurer {
    private final Standings standings;
    private final Words words;

    TrainingGuard(@Lazy Standings standings, @Lazy Words words) {
        this.standings = standings;
        this.words = words;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/**").order(Ordered.HIGHEST_PRECEDENCE + 1);
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler)
            throws IOException {
        Optional<Long> client = WhoseRecord.of(request);
        Work.Kind work = work(handler);
        if (client.isEmpty() || work == Work.Kind.NONE) {
            return true;
        }
        Permission may = standings.of(client.get()).mayTrain();
        boolean closed = may == Permission.NOTHING || (work == Work.Kind.BEGINS && !may.opensSession());
        if (!closed) {
            return true;
        }
        if (byProgram(request)) {
            response.setStatus(HttpServletResponse.SC_CONFLICT);
            response.setContentType(MediaType.APPLICATION_JSON_VALUE);
            String message = words.text(may == Permission.NOTHING ? "closed.emergency" : "closed.speakFirst");
            response.setCharacterEncoding(StandardCharsets.UTF_8.name());
            response.getWriter()
                    .write(JsonMapper.shared().writeValueAsString(Map.of("refused", "CLOSED", "message", message)));
            return false;
        }
        response.sendRedirect(may == Permission.NOTHING ? referral(request, client.get()) : speak(client.get()));
        return false;
    }

    private static Work.Kind work(Object handler) {
        if (!(handler instanceof HandlerMethod method)) {
            return Work.Kind.NONE;
        }
        @Nullable Work own = method.getMethodAnnotation(Work.class);
        @Nullable Work all = method.getBeanType().getAnnotation(Work.class);
        if (own != null) {
            return own.value();
        }
        return all != null ? all.value() : Work.Kind.BEGINS;
    }

    private static boolean byProgram(HttpServletRequest request) {
        String asks = String.valueOf(request.getHeader("Accept"));
        return request.getRequestURI().startsWith("/api/")
                || (request.getHeader("X-Requested-With") != null && !asks.contains("text/html"));
    }

    /** A visit has its sheet at an address of its own. */
    private static String referral(HttpServletRequest request, long client) {
        String pattern = String.valueOf(request.getAttribute(HandlerMapping.BEST_MATCHING_PATTERN_ATTRIBUTE));
        return pattern.startsWith("/visits/")
                ? request.getRequestURI().replaceFirst("^(/visits/[0-9]+).*", "$1") + "/referral"
                : "/clients/" + client + "/referral";
    }

    private static String speak(long client) {
        return "/clients/" + client + "#from-home";
    }

    /** What a service refused: where to look first, and why. */
    @ExceptionHandler(TrainingClosed.class)
    String closed(TrainingClosed closed, RedirectAttributes flash) {
        flash.addFlashAttribute("closedWhy", words.of(closed.why()));
        return "redirect:" + speak(closed.clientId());
    }
}
