package fernstep.app.security;

import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** Who is signed in, for every page; null on the sign-in page. */
@ControllerAdvice
class Me {
    private final Duration leftAlone;

    Me(@Value("${spring.session.timeout}") Duration leftAlone) {
        this.leftAlone = leftAlone;
    }

    @ModelAttribute("me")
    @Nullable
    SignedIn me(@AuthenticationPrincipal @Nullable Object principal) {
        return principal instanceof SignedIn me ? me : null;
    }

    /** After so many seconds without a touch a page signs out by itself, as the server does. */
    @ModelAttribute("leftAloneS")
    long leftAloneS() {
        return leftAlone.toSeconds();
    }
}
