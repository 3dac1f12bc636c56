package fernstep.app.overview;

import fernstep.app.ask.Visit;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Outcome;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * The one thing to do next with her, and why.
 *
 * @param reason null where the words of the kind say all
 */
public record NextAction(Kind kind, @Nullable Reason reason) {
    /** What it is. */
    public enum Kind {
        /** An emergency stands: only the referral is left. */
        STOPPED,
        /** Somebody qualified answers before anything is trained. */
        ASK_FIRST,
        /** No visit today yet. */
        START,
        /** The visit is open, its questions are not done. */
        ASK,
        /** The questions are done: check, plan, run. */
        GO_ON;

        public boolean closed() {
            return this == STOPPED || this == ASK_FIRST;
        }
    }

    static NextAction of(@Nullable Visit visit, Screening screening, long movesUp, boolean trained, LocalDate today) {
        if (screening.outcome() == Outcome.REFER_NOW) {
            return new NextAction(Kind.STOPPED, null);
        }
        if (screening.outcome() == Outcome.ASK_FIRST) {
            return new NextAction(Kind.ASK_FIRST, null);
        }
        Kind kind = today(visit);
        LocalDate due = screening.recheckDue();
        if (due != null && !due.isAfter(today)) {
            return new NextAction(kind, Reason.of("next.recheck", due));
        }
        if (!trained) {
            return new NextAction(kind, Reason.of("next.first"));
        }
        return new NextAction(kind, movesUp > 0 ? Reason.of("next.moves", movesUp) : Reason.of("next.session"));
    }

    private static Kind today(@Nullable Visit visit) {
        if (visit == null) {
            return Kind.START;
        }
        return visit.asked() ? Kind.GO_ON : Kind.ASK;
    }
}
