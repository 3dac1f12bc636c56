package fernstep.app.plan;

import fernstep.app.support.Unreadable;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import org.jspecify.annotations.Nullable;

/**
 * One thing the practitioner changes in a plan.
 *
 * @param strand what it is about; null for the whole plan
 * @param value for a dose −1 or 1, for a range 0 to 1, for a rung its code, for an order the strands with commas
 */
public record PlanChange(
        Kind kind,
        @Nullable Strand strand,
        @Nullable Side side,
        @Nullable String value) {

    /**
     * As a button carries it: kind|strand|side|value.
     *
     * @throws Unreadable for what no button says
     */
    static PlanChange read(String text) {
        String[] parts = text.split("\\|", -1);
        if (parts.length != 4) {
            throw new Unreadable("a change has four parts", null);
        }
        try {
            return new PlanChange(
                    Kind.valueOf(parts[0]),
                    parts[1].isEmpty() ? null : Strand.valueOf(parts[1]),
                    parts[2].isEmpty() ? null : Side.valueOf(parts[2]),
                    parts[3].isEmpty() ? null : parts[3]);
        } catch (IllegalArgumentException e) {
            throw new Unreadable("no change of a plan", e);
        }
    }

    static String written(Kind kind, @Nullable Strand strand, @Nullable Side side, Object value) {
        return kind + "|" + (strand == null ? "" : strand) + "|" + (side == null ? "" : side) + "|" + value;
    }

    /** What is changed. */
    public enum Kind {
        SETS,
        REPS,
        HOLD_S,
        BREATHS,
        DAYS,
        RANGE,
        RUNG,
        LOCK,
        UNLOCK,
        LEAVE_OUT,
        PUT_IN,
        ORDER,
        SIZE,
        RESET
    }
}
