package fernstep.core.progress;

import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Reason;
import fernstep.core.plan.CleanSetting;
import fernstep.core.plan.Dose;
import fernstep.core.plan.DoseRules;
import fernstep.core.plan.Waiting;
import fernstep.core.progress.Progress.Change;
import fernstep.core.progress.Progress.Place;
import fernstep.core.progress.Progress.Question;
import java.util.List;
import java.util.Optional;

/** Every way to less: notch, rung, helper, another exercise. No credit outlives any of them. */
final class StepsDown {
    private final Question q;
    private final Place place;

    StepsDown(Question question) {
        this.q = question;
        this.place = question.place();
    }

    /** A smaller step than a notch; where the dose is the least already, what comes then. */
    Progress halfNotchDown(Reason reason) {
        return DoseRules.halfNotchDown(place.dose(), place.window())
                .map(less -> changed(Change.NOTCH_DOWN, less, reason))
                .orElseGet(() -> stuckAtTheLeast(reason));
    }

    /** One notch less; where the dose is the least already, what comes then. */
    Progress notchDown(Reason reason) {
        return DoseRules.notchDown(place.dose(), place.window())
                .map(less -> changed(Change.NOTCH_DOWN, less, reason))
                .orElseGet(() -> stuckAtTheLeast(reason));
    }

    private Progress changed(Change change, Dose dose, Reason reason) {
        return new Progress(0, change, dose, place.range().now(), place.rung().code(), reason, List.of());
    }

    /** No less of this rung can be asked: the one before; without one a helper; and if that was tried, another exercise. */
    private Progress stuckAtTheLeast(Reason reason) {
        if (before().isPresent()) {
            return rungDown(Reason.of("progress.leastStillTooMuch", reason));
        }
        boolean helperLeft = !place.helped() && !place.rung().helpers().isEmpty();
        return helperLeft
                ? stay(
                        Change.ADD_HELPER,
                        Reason.of("progress.addHelper", place.rung().helpers().get(0)))
                : stay(Change.SWAP, Reason.of("progress.doesNotSuit"));
    }

    private Optional<Rung> before() {
        return q.catalogue().previous(place.rung(), q.known()::leavesOut);
    }

    private Progress rungDown(Reason reason) {
        return before().map(back -> new Progress(
                        0,
                        Change.RUNG_DOWN,
                        DoseRules.last(back, q.stance()).withDays(days(back)),
                        place.range().ofRungBefore(),
                        back.code(),
                        reason,
                        List.of()))
                .orElseGet(this::toMinimum);
    }

    /** After a long gap: the rung before, where it begins. */
    Progress rungDownToItsStart(Reason reason) {
        return before().map(back -> new Progress(
                        0,
                        Change.RUNG_DOWN,
                        DoseRules.first(back, q.stance()).withDays(days(back)),
                        Math.min(place.range().ofRungBefore(), back.hasRange() && back.loaded() ? 0 : 1),
                        back.code(),
                        reason,
                        List.of()))
                .orElseGet(this::toMinimum);
    }

    /** Same rung at its smallest dose, after a clean breath session. */
    private Progress toMinimum() {
        Dose minimum = keepingDays(DoseRules.minimum(place.window(), q.stance()));
        Change change = minimum.equals(place.dose()) ? Change.HOLD : Change.NOTCH_DOWN;
        return new Progress(
                0,
                change,
                minimum,
                place.range().now(),
                place.rung().code(),
                Reason.of("progress.minimum"),
                List.of(new Waiting.Held(Waiting.Held.By.BREATH_SESSION)));
    }

    /** Pain: asked about first, then at half of what it was; anything else: the smallest dose, after a breath session. */
    Progress stopped(SessionResult last) {
        boolean forPain = last.cleanAt() != null;
        return forPain ? stay(Change.HOLD, Reason.of("progress.afterPain")) : toMinimum();
    }

    /** To where she went on clean: the rung before or less of this one; where that is not known, the rung before at its top. */
    Progress steppedBack(SessionResult last) {
        CleanSetting clean = last.cleanAt();
        Optional<Rung> there = clean == null ? Optional.empty() : q.catalogue().find(clean.rung());
        if (clean == null || there.isEmpty()) {
            return rungDown(Reason.of("progress.steppedBack"));
        }
        if (clean.rung().equals(place.rung().code())) {
            return stay(Change.HOLD, Reason.of("progress.easedOnce"));
        }
        Rung back = there.get();
        Dose most = clean.atMost(DoseRules.last(back, q.stance()).withDays(days(back)));
        return new Progress(
                0,
                Change.RUNG_DOWN,
                most,
                clean.range(),
                back.code(),
                Reason.of("progress.steppedBackClean"),
                List.of());
    }

    private Progress stay(Change change, Reason reason) {
        return changed(change, place.dose(), reason);
    }

    private int days(Rung rung) {
        return Math.min(
                DoseRules.first(rung, q.stance()).daysPerWeek(), place.dose().daysPerWeek());
    }

    private Dose keepingDays(Dose dose) {
        return new Dose(
                dose.sets(),
                dose.reps(),
                dose.holdS(),
                dose.breaths(),
                place.dose().perDay(),
                place.dose().daysPerWeek());
    }
}
