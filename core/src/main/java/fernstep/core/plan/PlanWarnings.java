package fernstep.core.plan;

import fernstep.core.body.Capacity;
import fernstep.core.body.LoadFamily;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What is worth a second look in a plan; the practitioner decides. */
public final class PlanWarnings {
    private static final int CHANGES_WANTED_AT_MOST = 2;
    private static final int RECHECK_GRACE_DAYS = 14;

    private PlanWarnings() {}

    /**
     * What stands against going up, whatever the plan: said where the dose is set, since by hand it can be set higher.
     *
     * @param symptomDays days in the past four weeks after which she had heaviness, leaking or pain of 3 and more
     */
    public static List<Reason> ofHer(Screening screening, int symptomDays, LocalDate today) {
        List<Reason> warnings = new ArrayList<>();
        if (symptomDays > 0) {
            warnings.add(Reason.of("warn.symptomDays", symptomDays));
        }
        LocalDate due = screening.recheckDue();
        if (due != null && today.isAfter(due.plusDays(RECHECK_GRACE_DAYS))) {
            warnings.add(Reason.of("warn.recheckOverdue", due));
        }
        return List.copyOf(warnings);
    }

    /** @param heldClean loads she has held clean, from her log */
    public static List<Reason> of(Plan plan, List<Capacity.Clean> heldClean, LocalDate today) {
        List<Reason> warnings = new ArrayList<>();
        if (!plan.fits()) {
            warnings.add(Reason.of("warn.overMinutes", plan.secondsPerDay() - 60 * plan.minutesAvailable()));
        }
        int changes = SessionTime.changesSeconds(
                        plan.items().stream().map(PlanItem::position).toList())
                / SessionTime.CHANGE_OF_POSITION_S;
        if (changes > CHANGES_WANTED_AT_MOST) {
            warnings.add(Reason.of("warn.manyChanges", changes));
        }
        for (int i = 0; i < plan.items().size(); i++) {
            PlanItem item = plan.items().get(i);
            if (i > 0) {
                sameFamily(plan.items().get(i - 1), item).ifPresent(warnings::add);
            }
            aboveCapacity(item, heldClean, today).ifPresent(warnings::add);
        }
        return List.copyOf(warnings);
    }

    /** The two sides of one strand follow each other as a matter of course. */
    private static Optional<Reason> sameFamily(PlanItem before, PlanItem item) {
        LoadFamily family = item.rung().family();
        boolean same = family != null && family == before.rung().family() && before.strand() != item.strand();
        return same
                ? Optional.of(Reason.of(
                        "warn.sameFamily", before.rung().code(), item.rung().code()))
                : Optional.empty();
    }

    private static Optional<Reason> aboveCapacity(PlanItem item, List<Capacity.Clean> heldClean, LocalDate today) {
        LoadFamily family = item.rung().family();
        if (family == null || item.point() == null || !item.rung().loaded()) {
            return Optional.empty();
        }
        double index = item.point().load().loadIndex();
        return capacity(heldClean, family, item.side(), today)
                .filter(c -> index > c.nextTarget(Capacity.USUAL_STEP) + 1e-9)
                .map(c -> Reason.of(
                        "warn.aboveCapacity",
                        item.rung().code(),
                        Numbers.rounded(index, 1),
                        Numbers.rounded(c.loadIndex(), 1)));
    }

    private static Optional<Capacity> capacity(
            List<Capacity.Clean> heldClean, LoadFamily family, @Nullable Side side, LocalDate today) {
        return Capacity.of(heldClean, family, side, today);
    }
}
