package fernstep.core.session;

import fernstep.core.ShippedCatalogue;
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
import fernstep.core.session.SessionEvent.EffortTold;
import fernstep.core.session.SessionEvent.Place;
import fernstep.core.session.SessionEvent.RepDone;
import fernstep.core.session.SessionEvent.SignSeen;
import java.util.ArrayList;
import java.util.List;

/** A session as it is told, entry by entry. */
abstract class SessionTold {
    static final Catalogue CATALOGUE = ShippedCatalogue.CATALOGUE;
    static final StaffId IMOGEN = new StaffId(1);
    final List<SessionEvent> events = new ArrayList<>();

    /** BR3 of 2 breaths, F1 left 2 × 3, F1 right 1 × 3. */
    final List<PlannedExercise> planned = List.of(
            new PlannedExercise("BR3", RungForm.PLAIN, null, new Dose(1, null, null, 2, 1, 5), 1),
            new PlannedExercise("F1", RungForm.PLAIN, Side.LEFT, new Dose(2, 3, null, null, 1, 5), 1),
            new PlannedExercise("F1", RungForm.PLAIN, Side.RIGHT, new Dose(1, 3, null, null, 1, 5), 1));

    Session replay() {
        return Session.replay(CATALOGUE, planned, events);
    }

    Exercise now() {
        return replay().current().orElseThrow();
    }

    String id() {
        return "e" + events.size();
    }

    SessionTold reps(int count) {
        for (int i = 0; i < count; i++) {
            events.add(new RepDone(id(), IMOGEN));
        }
        return this;
    }

    SessionTold breathDone() {
        reps(2);
        events.add(new EffortTold(id(), IMOGEN, 3));
        return this;
    }

    String sign(SignCode sign, Advice advice) {
        String id = id();
        events.add(new SignSeen(id, IMOGEN, new Place("F1", 1), Seen.clear(sign).inRep(2), advice));
        return id;
    }

    static Advice move(Move move) {
        return new Advice(move, null, null, null, RuleId.R4, Reason.of("R4.ease"), null, null, List.of(), false, false);
    }

    static Advice closing(Move move) {
        return new Advice(
                move, null, null, null, RuleId.R3, Reason.of("R3.bearsDown"), null, null, List.of(), true, false);
    }

    static Advice ease(Lever lever, Object to) {
        return new Advice(
                Move.EASE,
                new LeverChange(lever, null, to, -24.0),
                null,
                -24.0,
                RuleId.R4,
                Reason.of("R4.ease"),
                SignCode.DOME_FIRM,
                null,
                List.of(),
                false,
                false);
    }
}
