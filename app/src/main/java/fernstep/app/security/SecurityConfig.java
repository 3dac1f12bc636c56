package fernstep.app.security;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

@Configuration
class SecurityConfig {
    private static final String CSP = "default-src 'self'; script-src 'self'; style-src 'self'; img-src 'self' data:;"
            + " font-src 'self'; connect-src 'self'; object-src 'none'; base-uri 'self'; form-action 'self';"
            + " frame-ancestors 'none'";

    @Bean
    SecurityFilterChain pages(HttpSecurity http) throws Exception {
        return http.authorizeHttpRequests(a -> a.requestMatchers(
                                "/sign-in",
                                "/first-account",
                                "/error",
                                "/*.css",
                                "/*.js",
                                "/fonts/**",
                                "/vendor/**",
                                "/webjars/**",
                                "/*.svg")
                        .permitAll()
                        .anyRequest()
                        .authenticated())
                .formLogin(f -> f.loginPage("/sign-in").defaultSuccessUrl("/").permitAll())
                .logout(l -> l.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?out"))
                .headers(h -> h.contentSecurityPolicy(c -> c.policyDirectives(CSP))
                        .referrerPolicy(r -> r.policy(ReferrerPolicy.SAME_ORIGIN)))
                .build();
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }

    @Bean
    UserDetailsService staffAccounts(StaffMapper staff) {
        return name -> staff.byUsername(name)
                .map(SignedIn::new)
                .orElseThrow(() -> new UsernameNotFoundException("no account of that name"));
    }
}
