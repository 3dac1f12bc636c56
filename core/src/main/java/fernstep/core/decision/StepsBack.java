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
    private final LoadNow load;

    StepsBack(Situation situation) {
        this.s = situation;
        load = new LoadNow(situation);
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

    /** Of an earlier rung that relieves as well, so much more may be lost before the same rung is the better place (%). */
    private static final double RUNG_MAY_LOSE_MORE_PCT = 5;

    /**
     * For a sign of too much load: the nearest earlier rung, or this one at less of its range, whichever takes a tenth away
     * with the least lost; empty where neither does.
     */
    Optional<To> relieving() {
        if (s.rung().family() == null) {
            return nearest();
        }
        double enough = load.index() * (1 + LoadNow.RELIEVES_PCT / 100);
        Optional<To> earlier = nearest(enough, true);
        Optional<To> same = sameRung(enough);
        if (earlier.isEmpty() || same.isEmpty()) {
            return earlier.or(() -> same);
        }
        boolean muchMoreLost = pct(earlier.get()) < pct(same.get()) - RUNG_MAY_LOSE_MORE_PCT;
        return muchMoreLost ? same : earlier;
    }

    private static double pct(To to) {
        Double pct = to.loadChangePct();
        return pct == null ? LoadNow.RELIEVES_PCT : pct;
    }

    private Optional<To> sameRung(double ceiling) {
        Rung plain = s.catalogue().rung(s.rung().code());
        return s.rung().hasRange() && s.setting().range() > 0
                ? noHeavier(s.rung(), RungForm.of(s.rung(), plain), ceiling)
                        .filter(to -> to.range() < s.setting().range())
                : Optional.empty();
    }

    /** The nearest earlier rung she may do that asks for no more than now, at the range where it does; empty for none. */
    Optional<To> nearest() {
        return nearest(s.rung().family() == null ? 0 : load.index());
    }

    private Optional<To> nearest(double ceiling) {
        return nearest(ceiling, false);
    }

    private Optional<To> nearest(double ceiling, boolean followedOnly) {
        Optional<Rung> to = s.catalogue().previous(s.rung());
        while (to.isPresent()) {
            Rung plain = to.get();
            boolean unknown = followedOnly && plain.family() == null;
            Optional<To> back = isHabit(plain) || unknown || plain.isAgainst(s.spine())
                    ? Optional.empty()
                    : RungForm.openTo(plain, s.closed()).flatMap(form -> noHeavier(form.of(plain), form, ceiling));
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

    private Optional<To> noHeavier(Rung rung, RungForm form, double ceiling) {
        if (rung.family() == null) {
            return Optional.of(new To(rung, form, 1, null));
        }
        if (s.rung().family() == null) {
            return Optional.of(new To(rung, form, 0, null));
        }
        if (!(ceiling > 0) || !(rung.furthestUnder(ceiling, s.body()) instanceof RangeSolver.Answer.Reached reached)) {
            return Optional.empty();
        }
        double range = rung.hasRange() ? Math.floor(100 * reached.point().range()) / 100 : 1;
        double pct = LoadNow.changePct(load.index(), rung.indexAt(range, s.body()));
        return Optional.of(new To(rung, form, range, pct));
    }
}
