package fernstep.app.security;

import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** Who is signed in, for every page; null on the sign-in page. */
@ControllerAdvice
class Me {
    @ModelAttribute("me")
    @Nullable
    SignedIn me(@AuthenticationPrincipal @Nullable Object principal) {
        return principal instanceof SignedIn me ? me : null;
    }
}
