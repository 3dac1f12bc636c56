package fernstep.core.client;

import java.time.LocalDate;

/** Something from which days are counted. */
public record BodyEvent(Kind kind, LocalDate date, String what) {

    /** What happened. */
    public enum Kind {
        VAGINAL_BIRTH,
        CAESAREAN,
        SURGERY;

        /** The abdominal wall was opened: the longer waits apply. */
        public boolean opensTheWall() {
            return this != VAGINAL_BIRTH;
        }
    }
}
