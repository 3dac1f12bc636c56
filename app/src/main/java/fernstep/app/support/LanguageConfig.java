package fernstep.app.support;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Locale;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.LocaleResolver;
import org.springframework.web.servlet.i18n.AcceptHeaderLocaleResolver;

/**
 * The browser says which language; English where it asks for none that there is. A page for a client speaks hers,
 * whatever the browser asks for.
 */
@Configuration
public class LanguageConfig {
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
                Locale asked = super.resolveLocale(request);
                request.setAttribute(SPOKEN, asked);
                return asked;
            }
        };
        resolver.setSupportedLocales(languages.offered());
        resolver.setDefaultLocale(Locale.ENGLISH);
        return resolver;
    }

    /** From here on this request is answered in that language. */
    public static void speak(HttpServletRequest request, Locale language) {
        request.setAttribute(SPOKEN, language);
    }
}
