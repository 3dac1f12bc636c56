package fernstep.core.spotting;

import fernstep.core.findings.SignCode;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** What can be seen to move on a simulated client, each from 0 (as it should be) to 1 (unmistakable). */
public enum Channel {
    /** A ridge along the midline that springs under the finger. */
    SOFT_RIDGE(SignCode.DOME_SOFT),
    /** A ridge that stays taut under the finger. */
    FIRM_RIDGE(SignCode.DOME_FIRM),
    /** The whole wall pushes out, low down most. */
    LOW_BELLY(SignCode.WALL_BULGE),
    /** On hands and knees the belly sinks. */
    BELLY_SINKS(SignCode.BELLY_DROPS),
    BREATH_STOPS(SignCode.BREATH_HELD),
    /** The perineum and low belly push down, the face strains. */
    FLOOR_DOWN(SignCode.BEARS_DOWN),
    RIBS_LIFT(SignCode.RIBS_FLARE),
    BACK_LEAVES(SignCode.BACK_ARCHES),
    PELVIS_TIPS(SignCode.PELVIS_ROCKS),
    CHIN_POKES(SignCode.NECK_SHOULDERS),
    /** The movement is thrown: it takes less time. */
    HURRY(SignCode.RUSHED),
    /** The limb shakes. */
    SHAKE(SignCode.TIRED);

    private final SignCode sign;

    Channel(SignCode sign) {
        this.sign = sign;
    }

    /** What it is a sign of. */
    public SignCode sign() {
        return sign;
    }

    /** Empty for a sign that nobody can see, as pain. */
    public static Optional<Channel> of(SignCode sign) {
        return Arrays.stream(values()).filter(channel -> channel.sign == sign).findFirst();
    }

    /** The signs that can be seen. */
    public static List<SignCode> signs() {
        return Arrays.stream(values()).map(Channel::sign).toList();
    }
}
