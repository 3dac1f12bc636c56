package fernstep.app.run;

import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.decision.RepRecord;
import fernstep.core.decision.Setting;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.progress.ResultRules;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** One item while the log is being replayed. */
final class RunItem {
    final String plannedRung;
    final @Nullable Side side;
    final List<ResultRules.Made> made = new ArrayList<>();
    final List<String> signs = new ArrayList<>();
    final List<RepRecord> soFar = new ArrayList<>();
    final Set<Helper> helpers = EnumSet.noneOf(Helper.class);
    final List<Lever> otherLevers = new ArrayList<>();
    Rung rung;
    Dose dose;
    double range;
    int set = 1;
    int repsDone;
    boolean setDone;
    boolean askEffort;
    boolean done;
    boolean closed;
    boolean skipped;

    @Nullable
    Integer effort;

    RunItem(Rung rung, @Nullable Side side, Dose dose, double range) {
        this.plannedRung = rung.code();
        this.rung = rung;
        this.side = side;
        this.dose = dose;
        this.range = range;
    }

    /** Repetitions or breaths of one set; a hold without repetitions counts as one. */
    int target() {
        return dose.reps() != null ? dose.reps() : dose.breaths() != null ? dose.breaths() : 1;
    }

    Setting setting() {
        return new Setting(range, dose.holdS() == null ? null : dose.holdS().doubleValue(), target(), helpers);
    }

    void repDone() {
        repsDone++;
        if (repsDone >= target()) {
            endSet();
        }
    }

    void endSet() {
        setDone = true;
        askEffort = set >= dose.sets();
    }

    void nextSet() {
        set++;
        repsDone = 0;
        setDone = false;
        soFar.clear();
        otherLevers.clear();
    }

    void stepBackTo(Rung back, double toRange) {
        rung = back;
        range = toRange;
        helpers.clear();
        otherLevers.clear();
        soFar.clear();
        Integer reps =
                back.window().reps() == null ? null : back.window().reps().clamp(target());
        Integer hold =
                back.window().holdS() == null ? null : back.window().holdS().min();
        Integer breaths =
                back.window().breaths() == null ? null : back.window().breaths().min();
        dose = new Dose(dose.sets(), reps, hold, breaths, dose.perDay(), dose.daysPerWeek());
        if (repsDone >= target()) {
            endSet();
        }
    }

    boolean over() {
        return done || closed || skipped;
    }

    boolean worked() {
        return set > 1 || repsDone > 0 || setDone || !signs.isEmpty();
    }
}
