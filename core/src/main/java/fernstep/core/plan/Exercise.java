package fernstep.core.plan;

import fernstep.core.body.LoadFamily;
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

    /** Counts toward the size of a session: all but settling in. */
    boolean counts() {
        return role() != Role.SETTLE_IN;
    }

    /** In a day, all its sessions together. */
    int secondsPerDay() {
        return items.stream().mapToInt(PlanItem::secondsPerDay).sum();
    }

    int perDay() {
        return items.get(0).dose().perDay();
    }

    Set<PlanItem.Ground> grounds() {
        EnumSet<PlanItem.Ground> all = EnumSet.noneOf(PlanItem.Ground.class);
        items.forEach(i -> all.add(i.ground()));
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

    Exercise with(List<PlanItem> others) {
        return new Exercise(others, mustBeIn, need, called, heavy);
    }
}
