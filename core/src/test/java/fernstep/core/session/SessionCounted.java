package fernstep.core.session;

import fernstep.core.ShippedCatalogue;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.RungForm;
import fernstep.core.decision.Advice;
import fernstep.core.decision.LeverChange;
import fernstep.core.decision.Move;
import fernstep.core.decision.RuleId;
import fernstep.core.decision.Seen;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.session.SessionEvent.Place;
import fernstep.core.session.SessionEvent.RepDone;
import fernstep.core.session.SessionEvent.SetBegun;
import fernstep.core.session.SessionEvent.SignSeen;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A session of a few exercises, counted in repetitions, holds or breaths. */
abstract class SessionCounted {
    static final Catalogue CATALOGUE = ShippedCatalogue.CATALOGUE;
    static final Body BODY = Body.of(null, null);
    static final StaffId ILSE = new StaffId(3);
    final List<SessionEvent> events = new ArrayList<>();
    List<PlannedExercise> planned = List.of(reps("F5", null, 2, 4));

    static PlannedExercise reps(String rung, @Nullable Side side, int sets, int reps) {
        return new PlannedExercise(rung, RungForm.PLAIN, side, new Dose(sets, reps, null, null, 1, 5), 1);
    }

    Session session() {
        return Session.replay(CATALOGUE, planned, events);
    }

    Exercise now() {
        return session().current().orElseThrow();
    }

    Exercise first() {
        return session().exercises().get(0);
    }

    String id() {
        return "e" + events.size();
    }

    void rep(int times) {
        for (int i = 0; i < times; i++) {
            events.add(new RepDone(id(), ILSE));
        }
    }

    String sign(SignCode sign, Advice advice) {
        String id = id();
        events.add(new SignSeen(id, ILSE, new Place(now().rung().code(), now().set()), Seen.clear(sign), advice));
        return id;
    }

    void nextSet() {
        events.add(new SetBegun(id(), ILSE));
    }

    static Advice move(Move move) {
        return advice(move, null, null, false);
    }

    static Advice ease(Lever lever, @Nullable Object to) {
        return advice(Move.EASE, new LeverChange(lever, null, to, -10.0), null, false);
    }

    static Advice advice(Move move, @Nullable LeverChange change, Advice.@Nullable StepBack back, boolean closesLoad) {
        return new Advice(
                move, change, back, null, RuleId.R4, Reason.of("R4.ease"), null, null, List.of(), closesLoad, false);
    }
}
