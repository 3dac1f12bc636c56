package fernstep.app.support;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Locale;
import java.util.Optional;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.LocaleResolver;
import org.springframework.web.servlet.i18n.AcceptHeaderLocaleResolver;
import org.springframework.web.util.WebUtils;

/**
 * Who chose a language on her account page reads it; else the browser says which, and English is spoken where it asks for
 * none that there is. A page for a client speaks hers, whatever the browser asks for.
 */
@Configuration
public class LanguageConfig {
    /** What was chosen on this browser: the tag of a language. */
    public static final String CHOSEN = "FERN_LANGUAGE";

    private static final String SPOKEN = LanguageConfig.class.getName() + ".language";

    @Bean
    LocaleResolver localeResolver(Languages languages) {
        AcceptHeaderLocaleResolver resolver = new AcceptHeaderLocaleResolver() {
            @Override
            public Locale resolveLocale(HttpServletRequest request) {
                if (request.getAttribute(SPOKEN) instanceof Locale known) {
                    return known;
                }
                // asked for with every word of a page
                Locale asked = chosen(request, languages).orElseGet(() -> super.resolveLocale(request));
                request.setAttribute(SPOKEN, asked);
                return asked;
            }
        };
        resolver.setSupportedLocales(languages.offered());
        resolver.setDefaultLocale(Locale.ENGLISH);
        return resolver;
    }

    private static Optional<Locale> chosen(HttpServletRequest request, Languages languages) {
        Cookie cookie = WebUtils.getCookie(request, CHOSEN);
        return cookie == null
                ? Optional.empty()
                : languages.offered().stream()
                        .filter(language -> language.toLanguageTag().equals(cookie.getValue()))
                        .findFirst();
    }

    /** From here on this request is answered in that language. */
    public static void speak(HttpServletRequest request, Locale language) {
        request.setAttribute(SPOKEN, language);
    }
}
