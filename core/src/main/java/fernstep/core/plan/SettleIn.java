package fernstep.core.plan;

import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Waymark;
import fernstep.core.measure.Reason;
import fernstep.core.plan.Plan.Question;
import fernstep.core.screening.Strand;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** The opening minute of a session. */
final class SettleIn {
    private static final int SETTLE_IN_S = 60;

    private SettleIn() {}

    /** What is settled becomes one opening minute: her highest clean breath with the engagement kept. */
    static Optional<Exercise> of(
            Question question, RungGates.Known known, Set<Strand> settled, List<Exercise> exercises) {
        if (settled.isEmpty()
                || exercises.stream()
                        .anyMatch(
                                exercise -> exercise.role() == Role.FOUNDATION && exercise.strand() == Strand.BREATH)) {
            return Optional.empty();
        }
        return Stream.of(Waymark.BREATHS_MANY, Waymark.BREATHS_KEPT)
                .map(question.catalogue()::at)
                .filter(rung -> known.isDone(rung.code(), null) && RungGates.open(rung, null, known))
                .findFirst()
                .or(() -> Optional.of(question.catalogue().at(Waymark.BREATH_BASE)))
                .flatMap(rung -> settledOn(rung, question, known))
                .map(item -> new Exercise(List.of(item), true, 1, true, false));
    }

    private static Optional<PlanItem> settledOn(Rung rung, Question question, RungGates.Known known) {
        Rung as = rung;
        if (rung.closedBy(known.closed()).isPresent()) {
            Optional<StandIns.StandIn> standIn =
                    StandIns.of(
                                    question.catalogue(),
                                    rung,
                                    known.closed(),
                                    question.her().body())
                            .stream()
                            .filter(each -> each.kind() != StandIns.Kind.OTHER_RUNG)
                            .findFirst();
            if (standIn.isEmpty()) {
                return Optional.empty();
            }
            as = standIn.get().rung();
        }
        Dose dose = StartingDose.of(
                        as, question.wishes().stances().dose(), question.her().findings(), null)
                .dose();
        Dose once = new Dose(
                1,
                dose.reps(),
                dose.holdS(),
                dose.breaths(),
                1,
                question.wishes().daysAtMost());
        while (SessionTime.seconds(as, once) > SETTLE_IN_S && once.breaths() != null && once.breaths() > 1) {
            once = once.withBreaths(once.breaths() - 1);
        }
        return Optional.of(PlanItem.beside(as, Role.SETTLE_IN, once, Reason.of("why.settleIn")));
    }
}
