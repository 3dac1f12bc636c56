package fernstep.app.security;

import fernstep.app.support.Audit;
import java.time.Duration;
import org.springframework.stereotype.Service;

/**
 * Slows down who tries passwords: after five failures in a row every further one doubles the wait, for the account and
 * for the address, whichever instance was asked. The tries lie in the database.
 */
@Service
class SignInTries {
    private static final int FREE_ACCOUNT = 5;
    /** Several people share an address. */
    private static final int FREE_ADDRESS = 20;

    private static final Duration LONGEST = Duration.ofMinutes(15);
    private static final int MOST_DOUBLINGS = 10;

    private final SignInTryMapper mapper;
    private final Audit audit;

    SignInTries(SignInTryMapper mapper, Audit audit) {
        this.mapper = mapper;
        this.audit = audit;
    }

    /**
     * Failures since the last success, within {@value SignInTryMapper#LOOKS_BACK_MIN} minutes, and how long ago the last
     * one was.
     */
    record Failures(int count, int secondsAgo) {}

    /** How long this account, from this address, must wait before it may try again, s; 0 when it may. */
    long waitS(String username, String address) {
        return Math.max(wait(mapper.ofAccount(username), FREE_ACCOUNT), wait(mapper.ofAddress(address), FREE_ADDRESS));
    }

    static long wait(Failures failures, int free) {
        int over = failures.count() - free;
        if (over < 0) {
            return 0;
        }
        long wait = Math.min(LONGEST.toSeconds(), 2L << Math.min(over, MOST_DOUBLINGS));
        return Math.max(0, wait - failures.secondsAgo());
    }

    void failed(String username, String address, long staffId) {
        mapper.insert(cut(username), address, false);
        audit.record(staffId, null, "SIGN_IN_FAILED", cut(username));
    }

    void succeeded(String username, String address, long staffId) {
        mapper.insert(cut(username), address, true);
        audit.record(staffId, null, "SIGN_IN", "");
    }

    private static String cut(String username) {
        return username.length() <= 60 ? username : username.substring(0, 60);
    }
}
