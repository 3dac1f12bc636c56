package fernstep.app.ask;

/** An emergency answer stands in this visit: nothing but the referral goes on. */
public class VisitLocked extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final long visitId;

    VisitLocked(long visitId) {
        super("visit " + visitId + " is locked");
        this.visitId = visitId;
    }

    public long visitId() {
        return visitId;
    }
}
