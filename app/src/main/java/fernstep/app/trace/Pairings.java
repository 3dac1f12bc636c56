package fernstep.app.trace;

import fernstep.app.support.Tokens;
import java.security.SecureRandom;
import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Short codes that let a device into one session, once, for some minutes: nobody streams into a stranger's session. */
@Service
class Pairings {
    static final int MINUTES = 10;
    private static final int CODES = 1_000_000;
    private static final int MOST_WRONG = 10;
    private static final long FORGIVEN_AFTER_NS = 60_000_000_000L;

    private final RecordingMapper mapper;
    private final SecureRandom random = new SecureRandom();
    private int wrong;
    private long lastWrongNs;

    Pairings(RecordingMapper mapper) {
        this.mapper = mapper;
    }

    /** Whose session, and who let the device in. */
    record Paired(String sessionId, long staffId) {}

    /** Six digits; earlier ones of the session that were not used no longer open it. */
    @Transactional
    public String code(String sessionId, long staffId) {
        String code = String.format(Locale.ROOT, "%06d", random.nextInt(CODES));
        mapper.removePairings(sessionId);
        mapper.insertPairing(Tokens.digest(code), sessionId, staffId, MINUTES);
        return code;
    }

    /** Uses a code up; empty where it opens nothing, and for a minute after ten that did not. */
    synchronized Optional<Paired> use(String code) {
        if (System.nanoTime() - lastWrongNs > FORGIVEN_AFTER_NS) {
            wrong = 0;
        }
        if (wrong >= MOST_WRONG) {
            return Optional.empty();
        }
        String hash = Tokens.digest(code);
        Optional<String> session = mapper.pairedSession(hash);
        if (session.isEmpty() || mapper.usePairing(hash) == 0) {
            wrong++;
            lastWrongNs = System.nanoTime();
            return Optional.empty();
        }
        return Optional.of(new Paired(session.get(), mapper.pairedBy(hash).orElseThrow()));
    }
}
