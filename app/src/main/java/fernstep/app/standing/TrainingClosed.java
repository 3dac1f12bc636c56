package fernstep.app.standing;

import fernstep.core.measure.Reason;

/** Nothing is begun, gone on with or prescribed for this client now. */
public class TrainingClosed extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final long clientId;
    private final transient Reason why;

    public TrainingClosed(long clientId, Reason why) {
        super("client " + clientId + " does not train: " + why.key());
        this.clientId = clientId;
        this.why = why;
    }

    public long clientId() {
        return clientId;
    }

    public Reason why() {
        return why;
    }
}
