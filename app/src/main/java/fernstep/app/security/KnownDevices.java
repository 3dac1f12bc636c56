package fernstep.app.security;

import fernstep.app.support.Tokens;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Service;
import org.springframework.web.util.WebUtils;

/** Devices on which somebody has signed in, told by a cookie; the database keeps its digest alone. */
@Service
class KnownDevices {
    private static final String COOKIE = "FERN_DEVICE";
    private static final Duration KEPT = Duration.ofDays(180);

    private final KnownDeviceMapper mapper;

    KnownDevices(KnownDeviceMapper mapper) {
        this.mapper = mapper;
    }

    /** What the device shows; null where it shows nothing. */
    static @Nullable String shown(HttpServletRequest request) {
        Cookie cookie = WebUtils.getCookie(request, COOKIE);
        return cookie == null || cookie.getValue().isBlank() ? null : cookie.getValue();
    }

    /** The digest of the device's token where this person has signed in with it before; "" otherwise. */
    String known(long staffId, @Nullable String token) {
        if (token == null) {
            return "";
        }
        String digest = Tokens.digest(token);
        return mapper.knows(digest, staffId, KEPT.toDays()) ? digest : "";
    }

    /** After a sign-in the device is known for this person, too; one device may serve several. */
    void remember(long staffId, HttpServletRequest request, HttpServletResponse response) {
        String shown = shown(request);
        String token = shown != null && mapper.isKnown(Tokens.digest(shown)) ? shown : Tokens.fresh();
        mapper.put(Tokens.digest(token), staffId);
        mapper.forgetOld(KEPT.toDays());
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(COOKIE, token)
                        .path("/sign-in")
                        .httpOnly(true)
                        .secure(request.isSecure())
                        .sameSite("Lax")
                        .maxAge(KEPT)
                        .build()
                        .toString());
    }
}
