package fernstep.app.ask;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.text.ParseException;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.context.annotation.Lazy;
import org.springframework.format.Formatter;
import org.springframework.format.FormatterRegistry;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * While an emergency answer stands, every page of the visit but the questions and the referral leads to the referral sheet.
 * The services hold the lock as well ({@link Visits#unlocked}); this keeps a route that is added later from being open.
 */
@Component
@ControllerAdvice
class LockedVisitGuard implements HandlerInterceptor, WebMvcConfigurer {
    private static final String PLAIN = "[0-9]{1,18}";

    private final Visits visits;

    LockedVisitGuard(@Lazy Visits visits) {
        this.visits = visits;
    }

    /** An id is digits and nothing else, so that what is looked up is what was guarded. */
    static Optional<Long> id(String text) {
        return text.matches(PLAIN) ? Optional.of(Long.parseLong(text)) : Optional.empty();
    }

    /** Signs, blanks and other bases are no ids. */
    private static final class PlainDigits implements Formatter<Long> {
        @Override
        public Long parse(String text, Locale locale) throws ParseException {
            return id(text).orElseThrow(() -> new ParseException("not digits only", 0));
        }

        @Override
        public String print(Long id, Locale locale) {
            return String.valueOf(id);
        }
    }

    @Override
    public void addFormatters(FormatterRegistry registry) {
        registry.addFormatterForFieldType(Long.class, new PlainDigits());
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this)
                .addPathPatterns("/visits/{id}/**")
                .excludePathPatterns(
                        "/visits/{id}/ask",
                        "/visits/{id}/answers",
                        "/visits/{id}/correct",
                        "/visits/{id}/override",
                        "/visits/{id}/asked",
                        "/visits/{id}/referral");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler)
            throws IOException {
        Object variables = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
        if (!(variables instanceof Map<?, ?> map) || !(map.get("id") instanceof String text)) {
            return true;
        }
        Optional<Long> id = id(text);
        if (id.isEmpty()) {
            response.sendError(HttpServletResponse.SC_NOT_FOUND);
            return false;
        }
        if (visits.byId(id.get()).locked()) {
            response.sendRedirect(referral(id.get()));
            return false;
        }
        return true;
    }

    @ExceptionHandler(VisitLocked.class)
    String locked(VisitLocked e) {
        return "redirect:" + referral(e.visitId());
    }

    private static String referral(long visitId) {
        return "/visits/" + visitId + "/referral";
    }
}
