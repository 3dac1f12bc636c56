package fernstep.core.screening;

import fernstep.core.approach.Approach;
import fernstep.core.client.Birth;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.Clearance.Scope;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Status;
import fernstep.core.client.Surgery;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;

/** Women on a day after a birth or an operation, in pregnancy, or neither. */
abstract class ScreenedOnADay {
    static final LocalDate EVENT = LocalDate.of(2031, 3, 20);

    static ClientFacts birth(BirthMode mode, int tear, Clearance... clearances) {
        return facts(Status.POSTNATAL, null, List.of(new Birth(EVENT, mode, tear)), List.of(), clearances);
    }

    static ClientFacts surgery(Clearance... clearances) {
        return facts(Status.ABDOMINAL_SURGERY, null, List.of(), List.of(new Surgery(EVENT, "appendix")), clearances);
    }

    static ClientFacts general() {
        return facts(Status.GENERAL, null, List.of(), List.of());
    }

    static ClientFacts facts(
            Status status, LocalDate due, List<Birth> births, List<Surgery> surgeries, Clearance... clearances) {
        return new ClientFacts(status, due, births, surgeries, List.of(clearances), null, null, null, Set.of());
    }

    static Clearance cleared(Scope scope, LocalDate on) {
        return new Clearance(scope, on, "MIDWIFE", null, null, null);
    }

    static Screening screen(ClientFacts facts, Approach approach, LocalDate today, Answer... answers) {
        return Screening.of(Screening.Question.of(facts, List.of(answers), approach.stances(), today));
    }
}
