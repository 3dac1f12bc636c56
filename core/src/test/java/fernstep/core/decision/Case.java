package fernstep.core.decision;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.client.Restriction;
import fernstep.core.decision.Situation.EarlierSession;
import fernstep.core.decision.Situation.PastLever;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** A situation on F4, left, full range, 8 repetitions held 5 s, Slow Ladder; change what a case is about. */
final class Case {
    private String rung = "F4";
    private Side side = Side.LEFT;
    private Approach approach = Approach.SLOW_LADDER;
    private boolean pregnant;
    private Setting setting = new Setting(1, 5.0, 8, Set.of());
    private Set<Restriction> closed = Set.of();
    private Set<Answer> emergencies = Set.of();
    private final List<RepRecord> soFar = new ArrayList<>();
    private List<PastLever> history = List.of();
    private List<EarlierSession> earlier = List.of();

    Case on(String code) {
        rung = code;
        return this;
    }

    Case side(Side trained) {
        side = trained;
        return this;
    }

    Case by(Approach school) {
        approach = school;
        return this;
    }

    Case pregnant() {
        pregnant = true;
        return this;
    }

    Case set(double range, Double holdS, Integer reps, Helper... helpers) {
        setting = new Setting(range, holdS, reps, Set.of(helpers));
        return this;
    }

    Case closed(Restriction... restrictions) {
        closed = Set.of(restrictions);
        return this;
    }

    Case emergency(Answer answer) {
        emergencies = EnumSet.of(answer);
        return this;
    }

    Case before(int rep, Move move, Lever lever, Seen... signs) {
        soFar.add(new RepRecord(rep, List.of(signs), move, lever));
        return this;
    }

    Case worked(SignCode sign, Lever lever) {
        history = List.of(new PastLever(sign, lever, true));
        return this;
    }

    Case lastSession(Seen... signs) {
        earlier = List.of(new EarlierSession(LocalDate.of(2031, 5, 1), List.of(signs)));
        return this;
    }

    Advice sees(Seen... seen) {
        return Decisions.next(situation(seen));
    }

    Situation situation(Seen... seen) {
        return new Situation(
                ShippedCatalogue.CATALOGUE,
                approach.stances(),
                new Situation.Woman(pregnant, closed, Body.of(70.0, 170.0)),
                new Situation.Doing(ShippedCatalogue.CATALOGUE.rung(rung), side, setting),
                new Situation.Now(emergencies, List.of(seen)),
                Situation.Before.of(soFar, history, earlier));
    }
}
