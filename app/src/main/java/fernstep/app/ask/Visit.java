package fernstep.app.ask;

import fernstep.app.client.ClientFile;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Outcome;
import fernstep.core.screening.Screening;
import fernstep.core.standing.Standing;
import java.time.Duration;
import java.time.LocalDateTime;
import java.util.Set;

/**
 * A visit with its answers and what follows from them.
 *
 * @param answers those that count: on the day itself with what stands from before, later as they were given
 * @param standing what stands of her now, whichever visit is looked at
 */
public record Visit(VisitRow row, ClientFile client, Set<Answer> answers, Screening screening, Standing standing) {
    /** So long answers count for beginning a session. */
    private static final Duration ANSWERS_COUNT_FOR = Duration.ofHours(12);

    public long id() {
        return row.id();
    }

    public boolean asked() {
        return row.askedAt() != null;
    }

    /** Asked, and not so long ago that she would have to be asked again before she begins. */
    public boolean askedLately(LocalDateTime now) {
        LocalDateTime asked = row.askedAt();
        return asked != null && !asked.isBefore(now.minus(ANSWERS_COUNT_FOR));
    }

    /** An emergency stands: only the referral sheet is left, in this visit and in every other. */
    public boolean locked() {
        return standing.locked() || (!past() && screening.outcome() == Outcome.REFER_NOW);
    }

    /** A session may be begun by it: on its own day, while nothing waits for somebody to have spoken with her. */
    public boolean mayBegin() {
        return !past() && !locked() && standing.mayTrain().opensSession();
    }

    /** On an earlier day: a record, which changes only with a reason. */
    public boolean past() {
        return client.readOn() != null && row.heldOn().isBefore(client.readOn());
    }

    public boolean overridden() {
        return row.askFirstOverride() != null;
    }
}
