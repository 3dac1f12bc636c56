package fernstep.core.plan;

import fernstep.core.body.Body;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Strain;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Outcome;
import fernstep.core.screening.Screening;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What "go on with changes" changes: for each answer of the day what is not done, how far and how often what is done goes,
 * and the sentence that says so (the table of the safety rules; our choice where a source gives no number).
 *
 * @param told answers of today with which she goes on
 */
public record Adaptations(Set<Answer> told) {
    public static final Adaptations NONE = new Adaptations(Set.of());

    /** A session when she is very tired. */
    public static final int TIRED_EXERCISES = 3;

    private static final double BACK_PAIN_RANGE = 0.6;
    private static final double SCAR_TURNING_RANGE = 0.6;
    private static final double SCAR_OVERHEAD_RANGE = 0.5;
    private static final double GIRDLE_TURNING_RANGE = 0.33;

    public Adaptations {
        told = Set.copyOf(told);
    }

    /** Of a day's screening; none where it is not known. */
    public static Adaptations of(@Nullable Screening screening) {
        if (screening == null) {
            return NONE;
        }
        Set<Answer> told = EnumSet.noneOf(Answer.class);
        screening.reasons().stream()
                .map(Screening.Finding::answer)
                .filter(answer -> answer.leadsTo() == Outcome.ADAPT)
                .forEach(told::add);
        return told.isEmpty() ? NONE : new Adaptations(told);
    }

    /** One sentence for each answer, in the order in which they are asked. */
    public List<Reason> sentences() {
        return told.stream()
                .sorted()
                .map(answer -> Reason.of("adapt." + answer))
                .toList();
    }

    /** Why this rung is not done today; empty where it may be. */
    Optional<Waiting> closes(Rung rung) {
        return Stream.of(
                        ruledOut(Answer.GIRDLE_PAIN, rung.strand() == Strand.IMPACT, "adapted.girdleImpact"),
                        ruledOut(Answer.GIRDLE_PAIN, rung.asks().contains(Strain.ONE_LEG), "adapted.girdleOneLeg"),
                        ruledOut(
                                Answer.BACK_PAIN,
                                rung.asks().contains(Strain.LONG_LEVER) || rung.strand() == Strand.CURL,
                                "adapted.backLever"),
                        ruledOut(Answer.SCAR_TENDER, rung.position() == Position.PRONE, "adapted.scarFaceDown"),
                        ruledOut(Answer.SCAR_TENDER, rung.strand() == Strand.CURL, "adapted.scarCurl"))
                .flatMap(Optional::stream)
                .findFirst();
    }

    private Optional<Waiting> ruledOut(Answer answer, boolean concerned, String key) {
        return told.contains(answer) && concerned
                ? Optional.of(new Waiting.Told(answer, Reason.of(key)))
                : Optional.empty();
    }

    /**
     * How an exercise is done today.
     *
     * @param range of its own, at the most
     * @param why what bounds it
     */
    private record Bound(double range, Reason why) {}

    /** As far and as often as today allows, with the reason in its sentence where anything differs. */
    public PlanItem on(PlanItem item, Body body) {
        PlanItem changed = item;
        for (Bound bound : bounds(item.rung())) {
            if (changed.range() > bound.range()) {
                changed = changed.noFurther(bound.range(), body).because(both(changed.why(), bound.why()));
            }
        }
        if (told.contains(Answer.TIRED) && changed.dose().sets() > 1) {
            changed = changed.dosed(changed.baseDose(), changed.dose().withSets(1))
                    .because(both(changed.why(), Reason.of("adapted.tiredOneSet")));
        }
        if (told.contains(Answer.GIRDLE_PAIN) && squeezes(changed.rung()).isPresent() && changed.support() == null) {
            changed = changed.with(squeezes(changed.rung()).get())
                    .because(both(changed.why(), Reason.of("adapted.girdleSqueeze")));
        }
        if (told.contains(Answer.LEAK_EFFORT) && changed.rung().loaded()) {
            changed = changed.because(both(changed.why(), Reason.of("adapted.leakOutBreath")));
        }
        return changed;
    }

    private List<Bound> bounds(Rung rung) {
        List<Bound> all = new ArrayList<>();
        if (!rung.hasRange()) {
            return all;
        }
        boolean turns = rung.strand() == Strand.ROTATION;
        if (told.contains(Answer.BACK_PAIN) && rung.loaded()) {
            all.add(new Bound(BACK_PAIN_RANGE, Reason.of("adapted.backRange")));
        }
        if (told.contains(Answer.GIRDLE_PAIN) && turns) {
            all.add(new Bound(GIRDLE_TURNING_RANGE, Reason.of("adapted.girdleTurning")));
        }
        if (told.contains(Answer.SCAR_TENDER) && turns) {
            all.add(new Bound(SCAR_TURNING_RANGE, Reason.of("adapted.scarStretch")));
        }
        if (told.contains(Answer.SCAR_TENDER) && rung.movement().full().reachesOverhead()) {
            all.add(new Bound(SCAR_OVERHEAD_RANGE, Reason.of("adapted.scarStretch")));
        }
        return all;
    }

    /** A bridge on both legs goes with a squeeze between the knees. */
    private static Optional<Helper> squeezes(Rung rung) {
        return rung.strand() == Strand.BRIDGE && !rung.asks().contains(Strain.ONE_LEG)
                ? rung.helpers().stream()
                        .filter(helper -> helper == Helper.BALL || helper == Helper.INNER_THIGHS)
                        .findFirst()
                : Optional.empty();
    }

    private static Reason both(Reason one, Reason other) {
        return says(one, other.key()) ? one : Reason.of("why.both", one, other);
    }

    private static boolean says(Reason reason, String key) {
        return reason.key().equals(key)
                || reason.facts().stream().anyMatch(fact -> fact instanceof Reason inner && says(inner, key));
    }

    /** Exercises in a session, at most. */
    int exercisesAtMost(int asUsual) {
        return told.contains(Answer.TIRED) ? Math.min(TIRED_EXERCISES, asUsual) : asUsual;
    }

    /** A plan as it is done today: no more exercises in a session, each as today allows. */
    public Plan on(Plan plan, Body body) {
        if (told.isEmpty()) {
            return plan;
        }
        Plan adapted = plan.each(item -> on(item, body));
        return told.contains(Answer.TIRED) ? adapted.firstOfEachDay(TIRED_EXERCISES) : adapted;
    }
}
