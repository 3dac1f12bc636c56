package fernstep.core.decision;

import fernstep.core.body.RangeSolver;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import fernstep.core.screening.Strand;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** The rungs before this one that ask for no more than she does now. */
final class StepsBack {
    private final Situation s;

    StepsBack(Situation s) {
        this.s = s;
    }

    /**
     * Where to go back to.
     *
     * @param rung as she does it
     * @param form how that differs from the plain rung
     * @param range where on that rung to go on: no heavier than now
     * @param loadChangePct null where a load is not followed
     */
    record To(
            Rung rung,
            RungForm form,
            double range,
            @Nullable Double loadChangePct) {}

    /** The nearest earlier rung she may do that asks for no more than now, at the range where it does; empty for none. */
    Optional<To> nearest() {
        double now = s.rung().family() == null ? 0 : new LoadNow(s).index();
        Optional<Rung> to = s.catalogue().previous(s.rung());
        while (to.isPresent()) {
            Rung plain = to.get();
            Optional<To> back = isHabit(plain)
                    ? Optional.empty()
                    : RungForm.openTo(plain, s.closed()).flatMap(form -> noHeavier(form.of(plain), form, now));
            if (back.isPresent()) {
                return back;
            }
            to = s.catalogue().previous(plain);
        }
        return Optional.empty();
    }

    private static boolean isHabit(Rung rung) {
        return rung.strand() == Strand.UPRIGHT && rung.fromDayOne();
    }

    private Optional<To> noHeavier(Rung rung, RungForm form, double now) {
        if (rung.family() == null) {
            return Optional.of(new To(rung, form, 1, null));
        }
        if (s.rung().family() == null) {
            return Optional.of(new To(rung, form, 0, null));
        }
        if (!(RangeSolver.solve(rung.movement(), s.body(), now) instanceof RangeSolver.Answer.Reached reached)) {
            return Optional.empty();
        }
        double range = rung.hasRange() ? Math.floor(100 * reached.point().range()) / 100 : 1;
        return Optional.of(new To(rung, form, range, LoadNow.changePct(now, rung.indexAt(range, s.body()))));
    }
}
