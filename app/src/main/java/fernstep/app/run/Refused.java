package fernstep.app.run;

import fernstep.core.measure.Reason;

/** A report that is not taken, for a reason that can be named; the browser drops it and says why. */
final class Refused extends RuntimeException {
    private static final long serialVersionUID = 1L;

    /** Why, as the browser reads it. */
    enum Code {
        ID_REUSED,
        MOVED_ON,
        EARLIER_DAY
    }

    private final Code code;

    Refused(Code code) {
        super(code.name());
        this.code = code;
    }

    Code code() {
        return code;
    }

    Reason why() {
        return switch (code) {
            case ID_REUSED -> Reason.of("refused.idReused");
            case MOVED_ON -> Reason.of("refused.movedOn");
            case EARLIER_DAY -> Reason.of("refused.earlierDay");
        };
    }
}
