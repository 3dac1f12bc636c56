package fernstep.app.api;

import fernstep.app.security.HouseToken;
import fernstep.app.security.SignedIn;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/** Who may read under /api/v1: a token of the house within its scopes, or somebody who is signed in; nobody writes. */
@Configuration
class ApiSecurity {
    private static final String BEARER = "Bearer ";
    private static final int TOO_MANY_REQUESTS = 429;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Bean
    @Order(1)
    SecurityFilterChain api(HttpSecurity http, HouseTokens tokens) throws Exception {
        return http.securityMatcher("/api/v1/**")
                .authorizeHttpRequests(registry -> registry.requestMatchers(HttpMethod.GET, "/api/v1/openapi.json")
                        .permitAll()
                        .requestMatchers(HttpMethod.GET, "/api/v1/clients/*/plan")
                        .hasAnyAuthority(may(Scope.PLANS))
                        .requestMatchers(HttpMethod.GET, "/api/v1/clients/*/sessions")
                        .hasAnyAuthority(may(Scope.SESSIONS))
                        .requestMatchers(HttpMethod.GET, "/api/v1/clients/*/readings")
                        .hasAnyAuthority(may(Scope.READINGS))
                        .requestMatchers(HttpMethod.GET, "/api/v1/**")
                        .hasAnyAuthority(may(Scope.CLIENTS))
                        .anyRequest()
                        .denyAll())
                .sessionManagement(configurer -> configurer.sessionCreationPolicy(SessionCreationPolicy.NEVER))
                .csrf(configurer -> configurer.disable())
                .requestCache(configurer -> configurer.disable())
                .logout(configurer -> configurer.disable())
                .exceptionHandling(configurer -> configurer
                        .authenticationEntryPoint((request, response, why) -> {
                            response.setHeader(HttpHeaders.WWW_AUTHENTICATE, "Bearer");
                            refuse(response, 401, "a token of the house is needed: Authorization: Bearer …");
                        })
                        .accessDeniedHandler((request, response, why) ->
                                refuse(response, 403, "not within the scopes of this token")))
                .addFilterBefore(new Reader(tokens), AuthorizationFilter.class)
                .build();
    }

    private static String[] may(Scope scope) {
        return new String[] {HouseToken.SCOPE + scope, "ROLE_COACH", "ROLE_THERAPIST"};
    }

    /** Also for what is wrong further in. */
    static void refuse(HttpServletResponse response, int status, String why) throws IOException {
        response.setStatus(status);
        response.setContentType(MediaType.APPLICATION_JSON_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.getWriter().write(JSON.writeValueAsString(ApiError.of(why)));
    }

    /** Takes the token and counts the call. */
    private static final class Reader extends OncePerRequestFilter {
        private final HouseTokens tokens;

        Reader(HouseTokens tokens) {
            this.tokens = tokens;
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            String header = Optional.ofNullable(request.getHeader(HttpHeaders.AUTHORIZATION))
                    .orElse("");
            if (header.startsWith(BEARER)) {
                // whoever brings a token is that token, also in a browser where somebody is signed in
                SecurityContext context = SecurityContextHolder.createEmptyContext();
                tokens.opened(header.substring(BEARER.length()).strip()).ifPresent(context::setAuthentication);
                SecurityContextHolder.setContext(context);
            }
            String caller = caller(SecurityContextHolder.getContext().getAuthentication());
            int wait = caller == null ? 0 : tokens.waitS(caller);
            if (wait > 0) {
                response.setHeader(HttpHeaders.RETRY_AFTER, String.valueOf(wait));
                refuse(response, TOO_MANY_REQUESTS, "too many calls in this minute");
                return;
            }
            chain.doFilter(request, response);
        }

        private static @Nullable String caller(@Nullable Authentication who) {
            if (who instanceof HouseToken token) {
                return "token " + token.id();
            }
            return who != null && who.getPrincipal() instanceof SignedIn me ? "account " + me.staffId() : null;
        }
    }
}
