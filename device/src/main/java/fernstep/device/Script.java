package fernstep.device;

import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Whom the device plays (brief 9.1). */
public enum Script {
    WELL_TIMED(null),
    BREATH_HOLDER(SignCode.BREATH_HELD),
    PUSHES_OUT(SignCode.WALL_BULGE),
    /** The back lifts off the cuff in the second half of the repetition. */
    ARCHES_LATE(SignCode.BACK_ARCHES),
    PRESSES_FLAT(SignCode.BACK_PRESSED),
    /** From the seventh repetition on the cuff moves more each time. */
    TIRES_AFTER_SIX(SignCode.TIRED),
    /** The back lifts on the left alone. */
    ONE_SIDED(SignCode.BACK_ARCHES);

    private static final int FRESH_REPS = 6;

    private final @Nullable SignCode sign;

    Script(@Nullable SignCode sign) {
        this.sign = sign;
    }

    Optional<SignCode> sign() {
        return Optional.ofNullable(sign);
    }

    /** Whether she does it in this repetition, where she does it now and then. */
    boolean happens(int rep, Side side, boolean nowAndThen) {
        return switch (this) {
            case WELL_TIMED -> false;
            case TIRES_AFTER_SIX -> rep > FRESH_REPS;
            case ONE_SIDED -> side == Side.LEFT;
            case BREATH_HOLDER, PUSHES_OUT, ARCHES_LATE, PRESSES_FLAT -> nowAndThen;
        };
    }
}
