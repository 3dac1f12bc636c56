package fernstep.app.support;

import java.util.Locale;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.LocaleResolver;
import org.springframework.web.servlet.i18n.AcceptHeaderLocaleResolver;

/** The browser says which language; English where it asks for none that there is. */
@Configuration
class LanguageConfig {
    @Bean
    LocaleResolver localeResolver(Languages languages) {
        AcceptHeaderLocaleResolver resolver = new AcceptHeaderLocaleResolver();
        resolver.setSupportedLocales(languages.offered());
        resolver.setDefaultLocale(Locale.ENGLISH);
        return resolver;
    }
}
