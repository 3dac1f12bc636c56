package fernstep.app.run;

import fernstep.core.standing.Permission;
import java.time.LocalDate;

/** What keeps a session from going on. */
enum RunLock {
    /** Nothing. */
    OPEN,
    /** It was held on an earlier day: it is a record. */
    EARLIER_DAY,
    /** Something she reported waits for somebody to have spoken with her. */
    SPEAK_FIRST,
    /** An emergency stands, wherever it was told. */
    EMERGENCY;

    static RunLock of(Permission mayTrain, LocalDate heldOn, LocalDate today) {
        return switch (mayTrain) {
            case NOTHING -> EMERGENCY;
            case SPEAK_FIRST -> heldOn.isBefore(today) ? EARLIER_DAY : SPEAK_FIRST;
            case TRAIN, BREATH_AND_POSTURE -> heldOn.isBefore(today) ? EARLIER_DAY : OPEN;
        };
    }

    /** Tells states apart for a tablet that asks whether something happened. */
    String mark() {
        return switch (this) {
            case OPEN -> "";
            case EARLIER_DAY -> "-";
            case SPEAK_FIRST -> "?";
            case EMERGENCY -> "!";
        };
    }
}
