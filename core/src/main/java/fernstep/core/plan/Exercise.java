package fernstep.core.plan;

import fernstep.core.body.LoadFamily;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Strand;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What goes into a session or stays out together: one strand, both sides.
 *
 * @param mustBeIn an unsettled foundation, or locked by hand
 * @param need above 0; more is needed more
 * @param called something speaks for it beside the order of the catalogue
 * @param heavy near the most she has shown of its kind of load
 */
record Exercise(List<PlanItem> items, boolean mustBeIn, int need, boolean called, boolean heavy) {
    Strand strand() {
        return items.get(0).strand();
    }

    Role role() {
        return items.get(0).role();
    }

    /** Counts toward the size of a session: all but settling in, and what is done apart from it. */
    boolean counts() {
        return role() != Role.SETTLE_IN && !items.get(0).rung().apart();
    }

    /** In a day, all its sessions together. */
    int secondsPerDay() {
        return items.stream().mapToInt(PlanItem::secondsPerDay).sum();
    }

    /** Load index × seconds under load of a day, all its sessions together; 0 where no load is followed. */
    double exposurePerDay() {
        return items.stream()
                .mapToDouble(item ->
                        item.loadIndex() * item.loadSeconds() * item.dose().perDay())
                .sum();
    }

    Exercise alsoBecause(Reason reason) {
        return with(items.stream()
                .map(item -> item.because(Reason.of("why.both", item.why(), reason)))
                .toList());
    }

    int perDay() {
        return items.get(0).dose().perDay();
    }

    Set<PlanItem.Ground> grounds() {
        EnumSet<PlanItem.Ground> all = EnumSet.noneOf(PlanItem.Ground.class);
        items.forEach(item -> all.add(item.ground()));
        return all;
    }

    @Nullable
    LoadFamily family() {
        return items.get(0).rung().family();
    }

    Role.Slot slot() {
        return Role.Slot.of(strand());
    }

    Exercise whereItFits() {
        return new Exercise(items, false, need, called, heavy);
    }

    /** The same but for its sets. */
    boolean sameAs(Exercise other) {
        return strand() == other.strand() && role() == other.role();
    }

    /** Sets of the side that has most. */
    int sets() {
        return items.stream().mapToInt(item -> item.dose().sets()).max().orElse(0);
    }

    /** As little as its doses may be: one set of few repetitions or breaths. */
    Exercise atLeast() {
        return at(0);
    }

    /** So many steps above that: its own repetitions first, then set by set, and never more than its doses. */
    Exercise at(int step) {
        return with(items.stream().map(item -> at(item, step)).toList());
    }

    private static PlanItem at(PlanItem item, int step) {
        int sets = DoseRules.leastSets(item.rung(), item.dose());
        if (step > 0) {
            return inSets(item, Math.min(item.dose().sets(), sets + step - 1));
        }
        int times = item.role() == Role.SETTLE_IN ? item.dose().times() : DoseRules.leastTimes(item.dose());
        PlanItem least = inSets(item, sets);
        return times == item.dose().times()
                ? least
                : least.dosed(item.baseDose(), least.dose().withTimes(times))
                        .because(Reason.of("why.both", item.why(), Reason.of("why.fewForMinutes")));
    }

    /** Whether it is less there than its doses ask for. */
    boolean canGrowTo(int step) {
        return !doses(at(step)).equals(doses(this));
    }

    private static List<Dose> doses(Exercise exercise) {
        return exercise.items().stream().map(PlanItem::dose).toList();
    }

    /** Whether the window of each of its rungs has so many sets more; what was made easier for her is not done more often. */
    boolean hasRound(int more) {
        return items.stream()
                .allMatch(item -> item.eased() == null
                        && item.dose().sets() + more
                                <= item.rung().window().sets().max());
    }

    Exercise withMoreSets(int more) {
        return with(items.stream()
                .map(item -> inSets(item, item.dose().sets() + more))
                .toList());
    }

    private static PlanItem inSets(PlanItem item, int sets) {
        return item.dosed(item.baseDose(), item.dose().withSets(sets));
    }

    Exercise with(List<PlanItem> others) {
        return new Exercise(others, mustBeIn, need, called, heavy);
    }
}
