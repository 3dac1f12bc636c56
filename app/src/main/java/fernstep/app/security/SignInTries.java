package fernstep.app.security;

import fernstep.app.support.Audit;
import java.time.Duration;
import java.util.stream.LongStream;
import org.springframework.stereotype.Service;

/**
 * Slows down who tries passwords: after five failures in a row every further one doubles the wait, whichever instance was
 * asked. A try is counted in the database before it is judged, so that a hundred at the same moment are no more than one after
 * the other. Failures count for an account from one address, so that nobody elsewhere can lock a person out; for an address;
 * and, far more of them, for an account from anywhere. A device on which somebody has signed in before is counted by itself.
 */
@Service
class SignInTries {
    private static final int FREE_HERE = 5;
    /** Several people share an address. */
    private static final int FREE_ADDRESS = 20;
    /** From many addresses at once. */
    private static final int FREE_ACCOUNT = 50;

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

    /**
     * Who tries, and from where.
     *
     * @param device digest of the token of a device known for this account, or ""
     */
    record From(String username, String address, String device) {
        From {
            username = username.length() <= 60 ? username : username.substring(0, 60);
        }
    }

    /**
     * A try that is counted as a failure until it succeeds.
     *
     * @param waitS how long to wait before another; 0 where this one may be judged
     */
    record Begun(long id, From from, long waitS) {}

    /** Counts it first; what has to wait is not judged and counts no more. */
    Begun begin(From from) {
        long id = mapper.begin(from.username(), from.address(), from.device());
        long wait = from.device().isEmpty()
                ? LongStream.of(
                                wait(mapper.ofAccountHere(from.username(), from.address(), id), FREE_HERE),
                                wait(mapper.ofAddress(from.address(), id), FREE_ADDRESS),
                                wait(mapper.ofAccount(from.username(), id), FREE_ACCOUNT))
                        .max()
                        .orElse(0)
                : wait(mapper.ofDevice(from.username(), from.device(), id), FREE_HERE);
        if (wait > 0) {
            mapper.forget(id);
        }
        return new Begun(id, from, wait);
    }

    static long wait(Failures failures, int free) {
        int over = failures.count() - free;
        if (over < 0) {
            return 0;
        }
        long wait = Math.min(LONGEST.toSeconds(), 2L << Math.min(over, MOST_DOUBLINGS));
        return Math.max(0, wait - failures.secondsAgo());
    }

    void failed(Begun begun, long staffId) {
        audit.record(staffId, null, "SIGN_IN_FAILED", begun.from().username());
    }

    void succeeded(Begun begun, long staffId) {
        mapper.succeed(begun.id());
        audit.record(staffId, null, "SIGN_IN", "");
    }
}
