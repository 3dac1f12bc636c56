package fernstep.app.access;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;

/** Whose record the request at hand is about, as {@link AccessGuard} found it. */
public final class WhoseRecord {
    private static final String CLIENT = WhoseRecord.class.getName();

    private WhoseRecord() {}

    /** Empty for a request about nobody. */
    public static Optional<Long> of(HttpServletRequest request) {
        return request.getAttribute(CLIENT) instanceof Long id ? Optional.of(id) : Optional.empty();
    }

    static void is(HttpServletRequest request, long clientId) {
        request.setAttribute(CLIENT, clientId);
    }
}
