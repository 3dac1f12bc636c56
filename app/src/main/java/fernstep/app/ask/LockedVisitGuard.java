package fernstep.app.ask;

import java.text.ParseException;
import java.util.Locale;
import java.util.Optional;
import org.springframework.format.Formatter;
import org.springframework.format.FormatterRegistry;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** A visit that an emergency closed leads to its referral sheet, whatever its number is written like. */
@Component
@ControllerAdvice
class LockedVisitGuard implements WebMvcConfigurer {
    private static final String PLAIN = "[0-9]{1,18}";

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

    @ExceptionHandler(VisitLocked.class)
    String locked(VisitLocked locked) {
        return "redirect:/visits/" + locked.visitId() + "/referral";
    }
}
