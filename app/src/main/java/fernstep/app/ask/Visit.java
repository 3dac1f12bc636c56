package fernstep.app.ask;

import fernstep.app.client.ClientFile;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Outcome;
import fernstep.core.screening.Screening;
import java.util.Set;

/** A visit with its answers and what follows from them. */
public record Visit(VisitRow row, ClientFile client, Set<Answer> answers, Screening screening) {
    public long id() {
        return row.id();
    }

    public boolean asked() {
        return row.askedAt() != null;
    }

    /** An emergency answer stands: only the referral sheet is left. */
    public boolean locked() {
        return screening.outcome() == Outcome.REFER_NOW;
    }

    /** On an earlier day: it changes only with a reason. */
    public boolean past() {
        return client.readOn() != null && row.heldOn().isBefore(client.readOn());
    }

    public boolean overridden() {
        return row.askFirstOverride() != null;
    }
}
