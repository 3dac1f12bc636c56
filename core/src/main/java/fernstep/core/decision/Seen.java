package fernstep.core.decision;

import fernstep.core.findings.BodyPlace;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import org.jspecify.annotations.Nullable;

/**
 * One sign as it was seen.
 *
 * @param side where it showed, or null where the sign or the rung has no side
 * @param rep repetition in which it came, from 1, or null
 * @param second seconds into the hold when it came, or null
 * @param painLevel 0 to 10 with {@code PAIN}
 * @param place with {@code PAIN}: where on the body chart; null where it was not said
 * @param recoverable with {@code SET_LOST}: whether the set could be brought back in place
 */
public record Seen(
        SignCode sign,
        Severity severity,
        @Nullable Side side,
        @Nullable Integer rep,
        @Nullable Double second,
        @Nullable Integer painLevel,
        @Nullable BodyPlace place,
        boolean sharp,
        @Nullable Boolean recoverable) {

    /** From this level of pain on, 0 to 10, the exercise ends. */
    public static final int PAIN_STOPS_AT = 4;

    /** How strongly a sign shows. */
    public enum Severity {
        SLIGHT,
        CLEAR
    }

    /** @throws fernstep.core.measure.OutOfRange outside the ranges above */
    public Seen {
        if (rep != null) {
            Range.REP.check(rep);
        }
        if (second != null) {
            Range.SECOND.check(second);
        }
        if (painLevel != null) {
            Range.PAIN_LEVEL.check(painLevel);
        }
    }

    public static Seen of(SignCode sign, Severity severity) {
        return new Seen(sign, severity, null, null, null, null, null, false, null);
    }

    public static Seen slight(SignCode sign) {
        return of(sign, Severity.SLIGHT);
    }

    public static Seen clear(SignCode sign) {
        return of(sign, Severity.CLEAR);
    }

    /** What a number of pain is called. */
    public enum PainWord {
        MILD,
        MODERATE,
        SEVERE;

        private static final int MODERATE_FROM = 4;
        private static final int SEVERE_FROM = 7;

        /**
         * @param level 1 to 10
         */
        public static PainWord of(int level) {
            if (level >= SEVERE_FROM) {
                return SEVERE;
            }
            return level >= MODERATE_FROM ? MODERATE : MILD;
        }
    }

    public Seen inRep(int number) {
        return new Seen(sign, severity, side, number, second, painLevel, place, sharp, recoverable);
    }

    public Seen atSecond(double at) {
        return new Seen(sign, severity, side, rep, at, painLevel, place, sharp, recoverable);
    }

    public Seen on(Side where) {
        return new Seen(sign, severity, where, rep, second, painLevel, place, sharp, recoverable);
    }

    public Seen withPain(int level, @Nullable BodyPlace where) {
        return new Seen(sign, severity, side, rep, second, level, where, sharp, recoverable);
    }

    public Seen recoverable(boolean can) {
        return new Seen(sign, severity, side, rep, second, painLevel, place, sharp, can);
    }

    public boolean clearly() {
        return severity == Severity.CLEAR;
    }
}
