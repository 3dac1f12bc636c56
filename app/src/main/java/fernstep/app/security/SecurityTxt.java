package fernstep.app.security;

import fernstep.app.support.NotFound;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ResponseBody;

/** Whom to tell of a hole (RFC 9116); not there until the practice says whom. */
@Controller
class SecurityTxt {
    private static final int GOOD_FOR_DAYS = 180;

    private final String contact;
    private final Clock clock;

    /** @param contact a mailto: or https: address, or "" */
    SecurityTxt(@Value("${fern.security-contact}") String contact, Clock clock) {
        this.contact = contact.strip();
        this.clock = clock;
    }

    @GetMapping(path = "/.well-known/security.txt", produces = MediaType.TEXT_PLAIN_VALUE)
    @ResponseBody
    String whom() {
        if (!contact.matches("(mailto|https):\\S+")) {
            throw new NotFound("no contact for holes is set");
        }
        Instant expires = clock.instant().truncatedTo(ChronoUnit.DAYS).plus(GOOD_FOR_DAYS, ChronoUnit.DAYS);
        return "Contact: " + contact + "\nExpires: " + expires + "\nPreferred-Languages: en, es\n";
    }
}
