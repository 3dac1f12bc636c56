package fernstep.app.support;

import fernstep.exchange.wording.Wording;
import java.text.MessageFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.i18n.LocaleContextHolder;
import org.springframework.context.support.AbstractMessageSource;
import org.springframework.stereotype.Component;

/** The words in the language of whoever reads, for templates ({@code #{…}}) and for {@link Words}. A language is a file. */
@Component("messageSource")
public class Languages extends AbstractMessageSource {
    private final Map<Locale, Wording> byLocale = new ConcurrentHashMap<>();
    private final boolean pseudo;

    /** @param pseudo offers the made-up language that tests pages */
    public Languages(@Value("${fern.pseudo-language:false}") boolean pseudo) {
        this.pseudo = pseudo;
    }

    private static final LanguageFiles FILES = LanguageFiles.in(Languages.class.getClassLoader());

    /** What clients read, English first; what the staff reads may be fewer. */
    public static final List<Locale> FOR_CLIENTS = FILES.forClients();

    /** @param language as a form names it: "es" */
    public static boolean forClients(String language) {
        return FOR_CLIENTS.stream().anyMatch(locale -> locale.toLanguageTag().equals(language));
    }

    /** Those that staff can read, the usual one first. */
    public List<Locale> offered() {
        return pseudo
                ? Stream.concat(FILES.forStaff().stream(), Stream.of(Wording.PSEUDO))
                        .toList()
                : FILES.forStaff();
    }

    /** In the language of the request at hand; English outside one. */
    public Wording now() {
        return in(LocaleContextHolder.getLocale());
    }

    /** English where there is no such language; units may stand in its extension. */
    public Wording in(Locale locale) {
        Locale language = locale.stripExtensions();
        boolean known = offered().contains(language) || FOR_CLIENTS.contains(language);
        return byLocale.computeIfAbsent(known ? locale : Locale.ENGLISH, Wording::new);
    }

    @Override
    protected @Nullable String resolveCodeWithoutArguments(String code, Locale locale) {
        Wording wording = in(locale);
        return wording.knows(code) ? wording.text(code) : null;
    }

    @Override
    protected @Nullable MessageFormat resolveCode(String code, Locale locale) {
        Wording wording = in(locale);
        return wording.knows(code) ? new MessageFormat(wording.raw(code), locale) : null;
    }
}
