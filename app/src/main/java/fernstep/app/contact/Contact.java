package fernstep.app.contact;

import fernstep.exchange.wording.Wording;
import java.util.Locale;

/**
 * How one client is spoken to and reached.
 *
 * @param language "en" or "es"
 * @param email empty where she gave none
 * @param messagesOff she wants no mail
 */
public record Contact(long clientId, String language, Units units, String email, boolean messagesOff) {

    /** How lengths and weights are said to her. */
    public enum Units {
        METRIC,
        IMPERIAL
    }

    static Contact unknown(long clientId) {
        return new Contact(clientId, Locale.ENGLISH.getLanguage(), Units.METRIC, "", false);
    }

    /** Her language and her units. */
    public Locale locale() {
        return in(language);
    }

    /** Another language, her units. */
    public Locale in(String otherLanguage) {
        Locale plain = Locale.forLanguageTag(otherLanguage);
        return units == Units.IMPERIAL ? Wording.inInchesAndPounds(plain) : plain;
    }

    public boolean mayBeWritten() {
        return !email.isEmpty() && !messagesOff;
    }
}
