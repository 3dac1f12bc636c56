package fernstep.app.client;

import fernstep.core.client.BirthMode;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** A birth or an operation as stored. */
public record EventRow(
        long clientId,
        Kind kind,
        LocalDate happenedOn,
        @Nullable BirthMode birthMode,
        int tearDegree,
        String what) {
    /** A birth, not an operation. */
    public boolean birth() {
        return kind == Kind.BIRTH;
    }

    public enum Kind {
        BIRTH,
        SURGERY
    }
}
