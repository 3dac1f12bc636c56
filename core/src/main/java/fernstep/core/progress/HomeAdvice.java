package fernstep.core.progress;

import fernstep.core.findings.SignCode;
import java.util.List;

/**
 * What a woman alone at home does about a sign she notices herself. Nobody watches her, so that it is always the more
 * careful of what would be done beside the mat (brief 07): a strong sign or new leaking ends the exercise, heaviness the
 * day (brief 15.2).
 */
public enum HomeAdvice {
    /** Rest, then go on or finish. */
    REST,
    /** Make the movement smaller and let the breath out with the effort. */
    SMALLER,
    /** No more of this exercise today. */
    STOP_EXERCISE,
    /** No more exercise today; her practitioner is told. */
    STOP_TODAY;

    /** Signs that can be noticed without a second person, as they are offered. */
    public static final List<SignCode> NOTICED = List.of(
            SignCode.TIRED,
            SignCode.DOME_SOFT,
            SignCode.DOME_FIRM,
            SignCode.BREATH_HELD,
            SignCode.BACK_ARCHES,
            SignCode.HEAVY,
            SignCode.LEAK,
            SignCode.PAIN);

    private static final int PAIN_ENDS_THE_DAY = 4;

    /** @throws IllegalArgumentException for a sign that only somebody beside her sees, and for pain, which has a level */
    public static HomeAdvice to(SignCode sign) {
        return switch (sign) {
            case TIRED -> REST;
            case DOME_SOFT, BREATH_HELD, BACK_ARCHES -> SMALLER;
            case DOME_FIRM, LEAK -> STOP_EXERCISE;
            case HEAVY -> STOP_TODAY;
            default -> throw new IllegalArgumentException("not told from home: " + sign);
        };
    }

    /** @param level 1 to 10; from 4 on the day ends, as it does beside the mat */
    public static HomeAdvice toPain(int level) {
        return level >= PAIN_ENDS_THE_DAY ? STOP_TODAY : STOP_EXERCISE;
    }
}
