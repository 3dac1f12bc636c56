package fernstep.app.plan;

import fernstep.app.ask.Visit;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.schedule.Prescription;
import fernstep.core.standing.Permission;
import java.time.LocalDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Whether the plan of a visit may be used, and how it differs from the one in use.
 *
 * @param mayUse it may be used and a session begun by it
 * @param speakFirst somebody has to speak with her first
 * @param since since when a plan is in use; null where none is
 * @param sameAsUsed nothing in it differs from the one in use
 * @param withheld exercises of the one in use that are not done today
 */
public record PlanUse(
        boolean mayUse,
        boolean speakFirst,
        @Nullable LocalDateTime since,
        boolean sameAsUsed,
        List<Prescription.Withheld> withheld) {

    static PlanUse of(Visit visit, Plan draft, Prescription inUse) {
        boolean speakFirst = !visit.past() && inUse.mayTrain() == Permission.SPEAK_FIRST;
        return new PlanUse(
                visit.mayBegin() && !draft.items().isEmpty(),
                speakFirst,
                inUse.since(),
                alike(draft.items(), inUse.adopted().items()),
                inUse.since() == null ? List.of() : inUse.withheld());
    }

    private static boolean alike(List<PlanItem> draft, List<PlanItem> used) {
        return draft.size() == used.size()
                && draft.stream().allMatch(item -> used.stream().anyMatch(other -> alike(item, other)));
    }

    private static boolean alike(PlanItem one, PlanItem other) {
        return one.rung().code().equals(other.rung().code())
                && one.side() == other.side()
                && one.dose().equals(other.dose())
                && one.range() == other.range();
    }
}
