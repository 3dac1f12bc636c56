package fernstep.core.plan;

import fernstep.core.body.Capacity;
import fernstep.core.body.LoadFamily;
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
    private static final int RECHECK_GRACE_DAYS = 14;
    private static final int MUCH_MORE_LOAD_PCT = 50;

    private PlanWarnings() {}

    /**
     * What stands against going up, whatever the plan: said where the dose is set, since by hand it can be set higher.
     *
     * @param symptomDays days in the past four weeks after which she had heaviness, leaking or pain of 3 and more
     */
    public static List<Reason> ofHer(Screening screening, int symptomDays, LocalDate today) {
        List<Reason> warnings = new ArrayList<>(Adaptations.of(screening).sentences());
        if (!warnings.isEmpty()) {
            warnings.add(Reason.of("adapt.stays"));
        }
        if (symptomDays > 0) {
            warnings.add(Reason.of("warn.symptomDays", symptomDays));
        }
        LocalDate due = screening.recheckDue();
        if (due != null && today.isAfter(due.plusDays(RECHECK_GRACE_DAYS))) {
            warnings.add(Reason.of("warn.recheckOverdue", due));
        }
        return List.copyOf(warnings);
    }

    /**
     * A week that asks for much more than the one behind her: harmless after a short week, too fast after a full one.
     *
     * @param pct load of a week of this plan against the week behind her, %
     */
    public static Optional<Reason> ofLoadAgainstBestWeek(int pct) {
        return pct >= MUCH_MORE_LOAD_PCT ? Optional.of(Reason.of("warn.loadJump", pct)) : Optional.empty();
    }

    /**
     * Of what was set by hand; what the rules made needs no second look of theirs.
     *
     * @param heldClean loads she has held clean, from her log
     */
    public static List<Reason> of(Plan plan, Wishes wishes, List<Capacity.Clean> heldClean, LocalDate today) {
        List<Reason> warnings = new ArrayList<>();
        if (!plan.fits()) {
            warnings.add(Reason.of("warn.overMinutes", plan.secondsPerDay() - plan.secondsAvailable()));
        }
        for (Plan.Day day : plan.days()) {
            int changes = SessionTime.changes(
                    day.items().stream().map(PlanItem::ground).toList());
            if (changes > wishes.changesAtMost()) {
                warnings.add(Reason.of("warn.manyChanges", changes));
            }
            if (Plan.size(day.items()) > wishes.size()) {
                warnings.add(Reason.of("warn.manyExercises", Plan.size(day.items()), wishes.size()));
            }
        }
        for (Plan.Day day : plan.days()) {
            for (int i = 1; i < day.items().size(); i++) {
                PlanItem before = day.items().get(i - 1);
                PlanItem item = day.items().get(i);
                if (byHand(before, wishes) || byHand(item, wishes)) {
                    sameFamily(before, item).ifPresent(warnings::add);
                }
            }
        }
        plan.items().stream()
                .filter(item -> byHand(item, wishes))
                .forEach(item -> aboveCapacity(item, heldClean, today).ifPresent(warnings::add));
        return warnings.stream().distinct().toList();
    }

    private static boolean byHand(PlanItem item, Wishes wishes) {
        return wishes.choices().stream()
                .anyMatch(choice -> choice.about(item.strand(), item.side()) && !choice.leftOut());
    }

    /** The two sides of one strand follow each other as a matter of course. */
    private static Optional<Reason> sameFamily(PlanItem before, PlanItem item) {
        LoadFamily family = item.rung().family();
        boolean same = family != null && family == before.rung().family() && before.strand() != item.strand();
        return same
                ? Optional.of(Reason.of(
                        "warn.sameFamily",
                        Reason.of(
                                "rung.name", before.rung().name(), before.rung().code()),
                        Reason.of("rung.name", item.rung().name(), item.rung().code())))
                : Optional.empty();
    }

    private static Optional<Reason> aboveCapacity(PlanItem item, List<Capacity.Clean> heldClean, LocalDate today) {
        LoadFamily family = item.rung().family();
        if (family == null || item.point() == null || !item.rung().loaded()) {
            return Optional.empty();
        }
        double index = item.point().load().loadIndex();
        return capacity(heldClean, family, item.side(), today)
                .filter(capacity -> index > capacity.nextTarget(Capacity.USUAL_STEP) + 1e-9)
                .map(capacity -> Reason.of(
                        "warn.aboveCapacity",
                        Reason.of("rung.name", item.rung().name(), item.rung().code()),
                        Math.round(100 * (index / capacity.loadIndex() - 1))));
    }

    private static Optional<Capacity> capacity(
            List<Capacity.Clean> heldClean, LoadFamily family, @Nullable Side side, LocalDate today) {
        return Capacity.of(heldClean, family, side, today);
    }
}
