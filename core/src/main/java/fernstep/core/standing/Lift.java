package fernstep.core.standing;

import fernstep.core.client.Licence;
import java.time.LocalDateTime;

/**
 * Somebody has looked at a report.
 *
 * @param reportId the report it is about
 * @param licence of who took it down
 * @param at when
 * @param by who took it down
 * @param found what was found, and for {@link Kind#SEEN} by whom she was seen
 */
public record Lift(long reportId, Kind kind, May may, Licence licence, LocalDateTime at, String by, String found) {
    /** What was done. */
    public enum Kind {
        /** It was recorded by mistake: the wrong woman, the wrong line. */
        TAKEN_BACK,
        /** Spoken with her about it. */
        SPOKEN,
        /** Seen by somebody qualified. */
        SEEN,
        /** A clearance given since answers the question. */
        CLEARED
    }

    /** Whether she may go on. */
    public enum May {
        AS_PLANNED,
        /** One level easier for a week. */
        GENTLY,
        NOT_YET,
        REFERRED;

        /** Whether anything opens by it. */
        public boolean opens() {
            return this == AS_PLANNED || this == GENTLY;
        }
    }

    /** Whether it lifts this report: it opens, is about it, and who took it down has the licence for it. */
    boolean lifts(SafetyReport report) {
        if (report.id() != reportId || !may.opens()) {
            return false;
        }
        return switch (report.concern().level()) {
            case LOCKED -> licensed(report) && (kind == Kind.TAKEN_BACK || kind == Kind.SEEN);
            case ASK_FIRST -> kind == Kind.CLEARED || licensed(report);
            case HELD, CLEAR -> kind != Kind.CLEARED && licensed(report);
        };
    }

    private boolean licensed(SafetyReport report) {
        return licence.compareTo(report.concern().liftedBy()) >= 0;
    }
}
