package fernstep.app.security;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.web.authentication.WebAuthenticationDetails;
import org.springframework.stereotype.Component;

/** Name, password and, where the account has one, the second factor; the same answer whatever was wrong. */
@Component
class StaffSignIn implements AuthenticationProvider {
    private final StaffMapper staff;
    private final Passwords passwords;
    private final SignInTries tries;
    private final SecondFactor secondFactor;
    private final KnownDevices devices;
    private final String nobodysHash;

    StaffSignIn(
            StaffMapper staff,
            Passwords passwords,
            SignInTries tries,
            SecondFactor secondFactor,
            KnownDevices devices) {
        this.devices = devices;
        this.staff = staff;
        this.passwords = passwords;
        this.tries = tries;
        this.secondFactor = secondFactor;
        this.nobodysHash = passwords.hash("nobody has this one");
    }

    /** What the form says beside name and password. */
    static final class Details extends WebAuthenticationDetails {
        private static final long serialVersionUID = 1L;
        private final String code;
        private final @Nullable String device;

        Details(HttpServletRequest request) {
            super(request);
            String typed = request.getParameter("code");
            this.code = typed == null ? "" : typed.strip();
            this.device = KnownDevices.shown(request);
        }
    }

    /** Too many tries: how long to wait. */
    static final class Wait extends LockedException {
        private static final long serialVersionUID = 1L;
        private final long seconds;

        Wait(long seconds) {
            super("wait " + seconds + " s");
            this.seconds = seconds;
        }

        long seconds() {
            return seconds;
        }
    }

    @Override
    public Authentication authenticate(Authentication typed) throws AuthenticationException {
        String username = typed.getName().strip().toLowerCase(Locale.ROOT);
        @Nullable Details details = typed.getDetails() instanceof Details d ? d : null;
        String address = details == null ? "" : String.valueOf(details.getRemoteAddress());
        Optional<Staff> found = staff.byUsername(username);
        String shown = details == null ? null : details.device;
        String device = found.map(Staff::id).map(id -> devices.known(id, shown)).orElse("");
        SignInTries.Begun begun = tries.begin(new SignInTries.From(username, address, device));
        if (begun.waitS() > 0) {
            throw new Wait(begun.waitS());
        }
        String password = Objects.toString(typed.getCredentials(), "");
        // the same work for a name nobody has, so that the time taken says nothing
        boolean right =
                passwords.matches(password, found.map(Staff::passwordHash).orElse(nobodysHash));
        if (found.isEmpty()
                || !right
                || !found.get().enabled()
                || !secondFactor.accepts(found.get(), details == null ? "" : details.code)) {
            tries.failed(begun, found.map(Staff::id).orElse(0L));
            throw new BadCredentialsException("no account of that name and password");
        }
        SignedIn me = new SignedIn(found.get());
        tries.succeeded(begun, me.staffId());
        UsernamePasswordAuthenticationToken signedIn =
                UsernamePasswordAuthenticationToken.authenticated(me, null, me.getAuthorities());
        signedIn.setDetails(typed.getDetails());
        return signedIn;
    }

    @Override
    public boolean supports(Class<?> authentication) {
        return UsernamePasswordAuthenticationToken.class.isAssignableFrom(authentication);
    }
}
