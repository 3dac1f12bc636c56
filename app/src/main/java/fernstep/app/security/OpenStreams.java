package fernstep.app.security;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Streams end with the sign-in that opened them: signed out, switched off or run out, on whichever instance that happened.
 */
@Component
public class OpenStreams {
    private static final long LOOKS_EVERY_MS = 3_000;

    private final StaffMapper staff;
    private final Map<SseEmitter, String> signIns = new ConcurrentHashMap<>();

    OpenStreams(StaffMapper staff) {
        this.staff = staff;
    }

    /** From now on it goes when the sign-in of this request does. */
    public void bind(SseEmitter stream, HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (session == null) {
            stream.complete();
            return;
        }
        signIns.put(stream, session.getId());
        stream.onCompletion(() -> signIns.remove(stream));
    }

    @Scheduled(fixedDelay = LOOKS_EVERY_MS)
    void endWithTheirSignIns() {
        if (signIns.isEmpty()) {
            return;
        }
        Set<String> live = staff.liveSignIns(Set.copyOf(signIns.values()));
        signIns.forEach((stream, signIn) -> {
            if (!live.contains(signIn)) {
                signIns.remove(stream);
                stream.complete();
            }
        });
    }
}
