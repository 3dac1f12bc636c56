package fernstep.core.plan;

import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Strand;
import java.time.temporal.ChronoUnit;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** How much a strand is needed now, and why: a finding, her goal, what she is climbing, how long it has rested. */
final class Needs {
    /** What she is climbing outranks what was never begun in its slot, whatever calls for that. */
    private static final int CLIMBING = 1000;

    private static final int FINDING = 300;
    private static final int GOAL = 200;
    private static final int MOST_DAYS_COUNTED = 27;
    /** Without any need the order of the catalogue decides. */
    private static final int ORDER = Strand.CURL.ordinal() + 1;

    /** Where both legs work alike. */
    private static final Set<Strand> ON_BOTH_LEGS =
            EnumSet.of(Strand.DEEP_CORE, Strand.ARM_LEG, Strand.HANDS_KNEES, Strand.BRIDGE);

    private final Plan.Question q;
    private final Set<Strand> towardGoal;
    private final List<FindingLine> lines;

    Needs(Plan.Question question) {
        this.q = question;
        this.towardGoal = towardGoal(question);
        this.lines = FindingLine.of(question);
    }

    /** Strands that lead to her goal, near or far. */
    private static Set<Strand> towardGoal(Plan.Question question) {
        Set<Strand> strands = new HashSet<>();
        Goal goal = question.wishes().goal();
        if (goal != null) {
            for (String code : goal.rungs(question.catalogue())) {
                Rung rung = question.catalogue().rung(code);
                strands.add(rung.strand());
                question.catalogue().leading(rung).forEach(each -> strands.add(each.strand()));
            }
        }
        return strands;
    }

    Set<Strand> towardGoal() {
        return towardGoal;
    }

    /** Above 0; more is needed more. */
    int of(Strand strand) {
        int need = ORDER - strand.ordinal();
        need += q.training().begun(strand) ? CLIMBING + rested(strand) : 0;
        need += finding(strand).isPresent() ? FINDING : 0;
        return need + (towardGoal.contains(strand) ? GOAL : 0);
    }

    private int rested(Strand strand) {
        return q.training()
                .lastTrained(strand)
                .map(day -> (int) Math.min(
                        MOST_DAYS_COUNTED,
                        ChronoUnit.DAYS.between(day, q.training().today())))
                .orElse(MOST_DAYS_COUNTED);
    }

    /** Something beside the order of the catalogue speaks for it. */
    boolean calls(Strand strand) {
        return q.training().begun(strand) || finding(strand).isPresent() || towardGoal.contains(strand);
    }

    /** Why it is in, first the finding. */
    Reason why(Strand strand) {
        return finding(strand)
                .or(() -> Optional.ofNullable(q.wishes().goal())
                        .filter(goal -> towardGoal.contains(strand))
                        .map(goal -> Reason.of("need.goal", goal)))
                .or(() -> q.training().begun(strand) ? Optional.of(Reason.of("need.climbing")) : Optional.empty())
                .orElse(Reason.of("need.slot." + Role.Slot.of(strand)));
    }

    /** What she told today comes before what was found. */
    private Optional<Reason> finding(Strand strand) {
        Set<Answer> told = Adaptations.of(q.screening()).told();
        if (told.contains(Answer.BACK_PAIN) && strand == Strand.PELVIC_CONTROL) {
            return Optional.of(Reason.of("need.backPain"));
        }
        if (told.contains(Answer.GIRDLE_PAIN) && ON_BOTH_LEGS.contains(strand)) {
            return Optional.of(Reason.of("need.bothLegs"));
        }
        return found(strand);
    }

    private Optional<Reason> found(Strand strand) {
        return lines.stream()
                .filter(line -> line.strand() == strand)
                .map(FindingLine::why)
                .findFirst();
    }

    /** A finding that has to be served before work is chosen. */
    Optional<FindingLine> must(Strand strand) {
        return lines.stream()
                .filter(line -> line.strand() == strand && line.serves() == FindingLine.Serves.MUST)
                .findFirst();
    }
}
