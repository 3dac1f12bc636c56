package fernstep.app.ask;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** While an emergency answer stands, every page of the visit behind the questions leads to the referral sheet. */
@Component
class LockedVisitGuard implements HandlerInterceptor, WebMvcConfigurer {
    private final Visits visits;

    LockedVisitGuard(@org.springframework.context.annotation.Lazy Visits visits) {
        this.visits = visits;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this)
                .addPathPatterns(
                        "/visits/{id}/check",
                        "/visits/{id}/check/**",
                        "/visits/{id}/skips",
                        "/visits/{id}/readings",
                        "/visits/{id}/findings",
                        "/visits/{id}/plan",
                        "/visits/{id}/plan/**",
                        "/visits/{id}/run");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler)
            throws IOException {
        Object variables = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
        if (variables instanceof Map<?, ?> map && map.get("id") instanceof String id && id.matches("\\d+")) {
            if (visits.byId(Long.parseLong(id)).locked()) {
                response.sendRedirect("/visits/" + id + "/referral");
                return false;
            }
        }
        return true;
    }
}
