package fernstep.app.security;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.SavedRequestAwareAuthenticationSuccessHandler;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.header.writers.CrossOriginOpenerPolicyHeaderWriter.CrossOriginOpenerPolicy;
import org.springframework.security.web.header.writers.CrossOriginResourcePolicyHeaderWriter.CrossOriginResourcePolicy;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.savedrequest.CookieRequestCache;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionOperations;
import org.springframework.transaction.support.TransactionTemplate;

@Configuration
class SecurityConfig {
    private static final String CSP = "default-src 'self'; script-src 'self'; style-src 'self'; img-src 'self' data:;"
            + " font-src 'self'; connect-src 'self'; object-src 'none'; base-uri 'self'; form-action 'self';"
            + " frame-ancestors 'none'";

    /** The wake lock keeps the screen on beside the mat; the camera takes the side view; nothing else is asked of a device. */
    private static final String PERMISSIONS = "camera=(self), screen-wake-lock=(self), microphone=(), geolocation=(),"
            + " payment=(), usb=(), serial=(), bluetooth=(), hid=(), midi=(), display-capture=(), browsing-topics=()";

    @Bean
    SecurityFilterChain pages(HttpSecurity http, KnownDevices devices) throws Exception {
        return http.authorizeHttpRequests(registry -> registry.requestMatchers(
                                "/sign-in",
                                "/first-account",
                                "/join/**",
                                "/feeds/**",
                                "/home/**",
                                "/mail-off/**",
                                // a device shows the code that its session gave out
                                "/device",
                                "/error",
                                "/.well-known/security.txt",
                                "/*.css",
                                "/*.js",
                                "/fonts/**",
                                "/vendor/**",
                                "/webjars/**",
                                "/*.svg")
                        .permitAll()
                        .anyRequest()
                        .authenticated())
                .formLogin(configurer -> configurer
                        .loginPage("/sign-in")
                        .successHandler(new Welcome(devices))
                        .authenticationDetailsSource(StaffSignIn.Details::new)
                        .failureHandler(SecurityConfig::refused)
                        .permitAll())
                // neither a token nor the page that was asked for makes a session: strangers leave no row behind
                // and a client's page, kept on her phone for weeks, has none: its address is the secret that no other
                // site knows
                .csrf(configurer ->
                        configurer.csrfTokenRepository(tokens()).ignoringRequestMatchers("/home/**", "/mail-off/**"))
                .requestCache(configurer -> configurer.requestCache(new CookieRequestCache()))
                .logout(configurer -> configurer.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?out"))
                .headers(configurer -> configurer
                        .contentSecurityPolicy(config -> config.policyDirectives(CSP))
                        .permissionsPolicyHeader(policy -> policy.policy(PERMISSIONS))
                        .crossOriginOpenerPolicy(policy -> policy.policy(CrossOriginOpenerPolicy.SAME_ORIGIN))
                        .crossOriginResourcePolicy(policy -> policy.policy(CrossOriginResourcePolicy.SAME_ORIGIN))
                        .referrerPolicy(config -> config.policy(ReferrerPolicy.SAME_ORIGIN)))
                .build();
    }

    /** Leads to what was asked for, and knows the device from now on. */
    private static final class Welcome extends SavedRequestAwareAuthenticationSuccessHandler {
        private final KnownDevices devices;

        Welcome(KnownDevices devices) {
            this.devices = devices;
            setRequestCache(new CookieRequestCache());
        }

        @Override
        public void onAuthenticationSuccess(
                HttpServletRequest request, HttpServletResponse response, Authentication signedIn)
                throws ServletException, IOException {
            if (signedIn.getPrincipal() instanceof SignedIn me) {
                devices.remember(me.staffId(), request, response);
            }
            super.onAuthenticationSuccess(request, response, signedIn);
        }
    }

    private static CookieCsrfTokenRepository tokens() {
        CookieCsrfTokenRepository tokens = new CookieCsrfTokenRepository();
        tokens.setHeaderName("X-CSRF-TOKEN");
        tokens.setCookieCustomizer(builder -> builder.sameSite("Lax"));
        return tokens;
    }

    /**
     * Reading a sign-in and touching it are one statement each; a transaction around them would be three more, twice a
     * request. One that breaks off while it begins is a sign-in of nobody.
     */
    @Bean
    TransactionOperations springSessionTransactionOperations() {
        return TransactionOperations.withoutTransaction();
    }

    /** Whatever else is written out rather than declared; the one of the framework gives way to any other. */
    @Bean
    @Primary
    TransactionTemplate transactionTemplate(PlatformTransactionManager transactions) {
        return new TransactionTemplate(transactions);
    }

    /** @param strength of bcrypt: each step more doubles the time a guess takes */
    @Bean
    PasswordEncoder passwordEncoder(@Value("${fern.password-strength}") int strength) {
        return new DelegatingPasswordEncoder("bcrypt", Map.of("bcrypt", new BCryptPasswordEncoder(strength)));
    }

    /** The same page whatever was wrong, but how long to wait. */
    private static void refused(HttpServletRequest request, HttpServletResponse response, AuthenticationException why)
            throws IOException {
        response.sendRedirect(
                "/sign-in?" + (why instanceof StaffSignIn.Wait wait ? "wait=" + wait.seconds() : "error"));
    }
}
