package fernstep.app.transfer;

import java.time.LocalDateTime;
import org.jspecify.annotations.Nullable;

/**
 * A table that was brought in.
 *
 * @param kind which table it is; null while nobody knows
 * @param matched which column of the file each of ours is, as "DATE=0,SITE_CM=2"; empty for what their names say
 * @param about whom all rows are about, where no column says it
 * @param characters null for Unicode
 * @param rowsDone of those that are written
 */
public record TableImportRow(
        String formId,
        long staffId,
        LocalDateTime madeAt,
        String fileName,
        byte[] body,
        @Nullable String kind,
        String matched,
        String about,
        @Nullable String characters,
        State state,
        int rowsDone,
        int rowsAll,
        boolean cancelled,
        boolean resting) {

    /** How far it is. */
    public enum State {
        LOOKED,
        RUNNING,
        TAKEN,
        UNDOING,
        UNDONE
    }

    /** Under way, but nobody has moved it for a while: the instance that did it is gone. */
    public boolean stuck() {
        return resting && (state == State.RUNNING || state == State.UNDOING);
    }

    public boolean moving() {
        return !resting && (state == State.RUNNING || state == State.UNDOING);
    }

    public boolean running() {
        return state == State.RUNNING;
    }

    public boolean undoing() {
        return state == State.UNDOING;
    }

    public boolean taken() {
        return state == State.TAKEN;
    }

    public boolean undone() {
        return state == State.UNDONE;
    }

    /** Nothing moves in it: stuck on the way, taken, or taken back. */
    public boolean atRest() {
        return stuck() || taken() || undone();
    }
}
