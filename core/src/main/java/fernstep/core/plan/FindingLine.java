package fernstep.core.plan;

import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.findings.Tolerance;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What one finding of the checks does to a plan: the one table between the two (brief 17.2). Nothing found is lost without
 * a word; what a plan could not serve is told by name.
 *
 * @param strand which serves it
 * @param why the sentence that is shown with it
 */
public record FindingLine(Strand strand, Serves serves, Reason why) {
    /** How a finding is served. */
    public enum Serves {
        /** Must be in, before work is chosen. */
        MUST,
        /** Calls for it among the work. */
        CALLS,
        /** Through the day, without minutes. */
        HABIT
    }

    /** A pelvic floor is trained until six months after a birth, whatever it shows (brief 17.2). */
    private static final int SIX_MONTHS_DAYS = 182;

    /** All that was found in a check alone. */
    public static List<FindingLine> of(Findings found) {
        return of(found, Optional.empty());
    }

    /** All that was found and told, in the order in which it is learnt. */
    static List<FindingLine> of(Plan.Question question) {
        return of(question.her().findings(), floorToldOf(question));
    }

    /** What asks for floor work though no check found anything. */
    private static Optional<Reason> floorToldOf(Plan.Question question) {
        if (question.training().floorSymptoms()
                || question.her().findings().impact().floorFelt()) {
            return Optional.of(Reason.of("need.floorSymptoms"));
        }
        Integer days = question.screening().stage().daysSinceBirth();
        return days != null && days < SIX_MONTHS_DAYS
                ? Optional.of(Reason.of("need.floorAfterBirth"))
                : Optional.empty();
    }

    private static List<FindingLine> of(Findings found, Optional<Reason> floorTold) {
        List<FindingLine> lines = new ArrayList<>();
        breath(found).map(why -> must(Strand.BREATH, why)).ifPresent(lines::add);
        if (found.scoop() == Observed.Scoop.NO) {
            lines.add(must(Strand.DEEP_CORE, Reason.of("need.scoopMissing")));
        }
        floor(found)
                .or(() -> floorTold)
                .map(why -> must(Strand.PELVIC_FLOOR, why))
                .ifPresent(lines::add);
        if (found.lumbarGap() == Observed.LumbarGap.FIST) {
            lines.add(must(Strand.PELVIC_CONTROL, Reason.of("need.fistGap")));
        }
        if (found.ribs() == Observed.RibsOverPelvis.RIBS_AHEAD) {
            lines.add(calls(Strand.ARM_LEG, Reason.of("need.ribsAhead")));
            lines.add(new FindingLine(Strand.PELVIC_CONTROL, Serves.HABIT, Reason.of("need.ribsAheadStanding")));
        }
        if (found.tiltedForward()) {
            lines.add(calls(Strand.BACK_LINE, Reason.of("need.tiltForward")));
        }
        lagging(found).map(why -> calls(Strand.LEG_FLOAT, why)).ifPresent(lines::add);
        handsAndKnees(found).map(why -> calls(Strand.HANDS_KNEES, why)).ifPresent(lines::add);
        found.weakerHold()
                .map(side -> calls(Strand.SIDE_SUPPORT, Reason.of("need.sideHoldsLess", side)))
                .ifPresent(lines::add);
        return lines;
    }

    private static FindingLine must(Strand strand, Reason why) {
        return new FindingLine(strand, Serves.MUST, why);
    }

    private static FindingLine calls(Strand strand, Reason why) {
        return new FindingLine(strand, Serves.CALLS, why);
    }

    private static Optional<Reason> breath(Findings found) {
        if (found.coughReversed()) {
            return Optional.of(Reason.of("need.coughReversed"));
        }
        if (found.tolerance().map(Tolerance::isPoor).orElse(false)) {
            return Optional.of(Reason.of("need.breathLost"));
        }
        return found.breathPatternOff() ? Optional.of(Reason.of("need.breathPattern")) : Optional.empty();
    }

    private static Optional<Reason> floor(Findings found) {
        Observed.FloorLift lift = found.shown().lift();
        Observed.LetGo letGo = found.shown().letGo();
        if (letGo != null && letGo != Observed.LetGo.FULLY) {
            return Optional.of(Reason.of("need.floorLetsNotGo"));
        }
        if (lift == Observed.FloorLift.BEARS_DOWN) {
            return Optional.of(Reason.of("need.floorBearsDown"));
        }
        if (lift == Observed.FloorLift.DOES_NOT) {
            return Optional.of(Reason.of("need.floorLiftsNot"));
        }
        return Optional.empty();
    }

    private static Optional<Reason> lagging(Findings found) {
        Integer left = found.floatScore().get(Side.LEFT);
        Integer right = found.floatScore().get(Side.RIGHT);
        if (left == null || right == null) {
            return Optional.empty();
        }
        if (!left.equals(right)) {
            return Optional.of(Reason.of("need.sideLags", left < right ? Side.LEFT : Side.RIGHT));
        }
        return left < Findings.FLOAT_RUNGS ? Optional.of(Reason.of("need.floatWeak", left)) : Optional.empty();
    }

    private static Optional<Reason> handsAndKnees(Findings found) {
        boolean drops = found.scoop() == Observed.Scoop.PARTLY
                || Boolean.TRUE.equals(found.shown().bellyDrops());
        if (drops) {
            return Optional.of(Reason.of("need.bellyDrops"));
        }
        return found.contactLost() ? Optional.of(Reason.of("need.contactLost")) : Optional.empty();
    }

    /** What was found and has no place in this plan; a habit serves only what asks for one. */
    public static List<FindingLine> unserved(Plan plan, Plan.Question question) {
        return of(question).stream().filter(line -> !line.servedBy(plan)).toList();
    }

    private boolean servedBy(Plan plan) {
        boolean trained = plan.items().stream().anyMatch(item -> item.strand() == strand);
        return trained
                || (serves == Serves.HABIT && plan.habits().stream().anyMatch(habit -> habit.strand() == strand));
    }
}
