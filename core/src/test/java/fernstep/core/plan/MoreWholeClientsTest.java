package fernstep.core.plan;

import static fernstep.core.plan.Woman.days_after_birth;
import static fernstep.core.plan.Woman.days_after_surgery;
import static fernstep.core.plan.Woman.never_pregnant;
import static fernstep.core.plan.Woman.pregnant;
import static fernstep.core.plan.Woman.rungs;
import static fernstep.core.plan.Woman.weeks_after_birth;
import static fernstep.core.plan.Woman.weeks_after_caesarean;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.Approach;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Strain;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.Restriction;
import fernstep.core.findings.Observed.BreathPattern;
import fernstep.core.findings.Observed.Cough;
import fernstep.core.findings.Observed.Doming;
import fernstep.core.findings.Observed.FloorLift;
import fernstep.core.findings.Observed.LetGo;
import fernstep.core.findings.Observed.LumbarGap;
import fernstep.core.findings.Observed.RibsOverPelvis;
import fernstep.core.findings.Observed.Scoop;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** More whole women, of the kinds whose plans a careful reader would not sign: what was told, found, shown or closed gave way. */
class MoreWholeClientsTest {
    private static final int ENOUGH_S = 600;

    private record Case(String who, Woman woman, Predicate<Plan> asExpected) {
        @Override
        public String toString() {
            return who;
        }
    }

    private static Predicate<Plan> every(Predicate<PlanItem> item) {
        return plan -> plan.items().stream().allMatch(item);
    }

    private static Predicate<Plan> everyRung(Predicate<Rung> rung) {
        return every(item -> rung.test(item.rung()));
    }

    private static Predicate<Plan> anyOf(String... codes) {
        return plan -> Stream.of(codes).anyMatch(rungs(plan)::contains);
    }

    private static Predicate<Plan> holds(String... codes) {
        return plan -> rungs(plan).containsAll(List.of(codes));
    }

    private static Predicate<Plan> without(String... codes) {
        return plan -> Stream.of(codes).noneMatch(rungs(plan)::contains);
    }

    private static Predicate<Plan> strand(Strand strand) {
        return plan -> plan.items().stream().anyMatch(item -> item.strand() == strand);
    }

    private static Predicate<Plan> noStrand(Strand strand) {
        return strand(strand).negate();
    }

    private static Predicate<Plan> nowhere(Position... positions) {
        return every(item -> !List.of(positions).contains(item.position()));
    }

    private static Predicate<Plan> atMost(int exercises) {
        return plan -> plan.days().stream()
                .allMatch(day -> day.items().stream()
                                .filter(item -> item.role() != Role.SETTLE_IN)
                                .map(PlanItem::strand)
                                .distinct()
                                .count()
                        <= exercises);
    }

    private static Predicate<Plan> uses(int seconds) {
        return plan -> plan.secondsPerDay() >= seconds;
    }

    private static final Predicate<Plan> NOTHING = plan -> plan.items().isEmpty();
    private static final Predicate<Plan> SOMETHING = NOTHING.negate();
    private static final Predicate<Plan> NOTHING_LOADED = everyRung(rung -> !rung.loaded());
    private static final Predicate<Plan> BOTH_LEGS =
            everyRung(rung -> !rung.asks().contains(Strain.ONE_LEG));
    private static final Predicate<Plan> NO_WEIGHT_ON_HANDS =
            every(item -> !item.rung().movement().full().bearsOnHands());

    private static Woman strong() {
        return weeks_after_birth(40).cleared().strong().holds(20, 20).hovers(12);
    }

    static Stream<Case> clients() {
        List<Case> all = new ArrayList<>();
        for (Answer emergency : List.of(
                Answer.BLEEDING, Answer.CHEST_PAIN, Answer.CALF, Answer.WOUND, Answer.SELF_HARM, Answer.FEVER)) {
            all.add(new Case("an emergency: " + emergency, strong().says(emergency), NOTHING));
        }
        for (Answer first : List.of(Answer.HEAVINESS, Answer.HERNIA, Answer.REST_PAIN, Answer.TEAR_RECENT)) {
            all.add(new Case("asked first: " + first, strong().says(first), NOTHING_LOADED));
        }
        all.addAll(told());
        all.addAll(closed());
        all.addAll(shown());
        all.addAll(found());
        all.addAll(upright());
        return all.stream();
    }

    private static List<Case> told() {
        return List.of(
                new Case(
                        "girdle pain, ten months after a birth",
                        strong().says(Answer.GIRDLE_PAIN),
                        BOTH_LEGS.and(SOMETHING)),
                new Case(
                        "girdle pain at 24 weeks",
                        pregnant(24).cleared().strong().says(Answer.GIRDLE_PAIN),
                        BOTH_LEGS.and(SOMETHING)),
                new Case(
                        "back pain, a strong woman: no long lever and no more than 60 % of any range",
                        strong().says(Answer.BACK_PAIN),
                        everyRung(rung -> !rung.asks().contains(Strain.LONG_LEVER))
                                .and(every(item -> !item.rung().loaded()
                                        || !item.rung().hasRange()
                                        || item.range() <= 0.6 + 1e-9))),
                new Case(
                        "tender scar after a caesarean: not face down, no curl",
                        weeks_after_caesarean(30).cleared().strong().says(Answer.SCAR_TENDER),
                        nowhere(Position.PRONE).and(noStrand(Strand.CURL)).and(SOMETHING)),
                new Case(
                        "very tired: three, one set each",
                        strong().says(Answer.TIRED),
                        atMost(3).and(every(item -> item.dose().sets() == 1)).and(SOMETHING)),
                new Case(
                        "leaks with effort: the pelvic floor is in and nothing jumps",
                        strong().says(Answer.LEAK_EFFORT).wants(Goal.BACK_TO_RUNNING),
                        strand(Strand.PELVIC_FLOOR).and(noStrand(Strand.IMPACT))),
                new Case("sore wrists today", strong().says(Answer.WRIST_PAIN), NO_WEIGHT_ON_HANDS.and(SOMETHING)),
                new Case(
                        "sore knees today",
                        strong().says(Answer.KNEE_PAIN),
                        nowhere(Position.KNEELING, Position.HANDS_KNEES).and(SOMETHING)),
                new Case(
                        "tender breasts today",
                        strong().says(Answer.BREAST_DISCOMFORT),
                        nowhere(Position.PRONE).and(SOMETHING)));
    }

    private static List<Case> closed() {
        Predicate<Plan> offTheMat = nowhere(Position.HANDS_KNEES, Position.PRONE, Position.KNEELING);
        return List.of(
                new Case(
                        "may not get down, sore wrists",
                        strong().may_not(Restriction.NO_FLOOR, Restriction.NO_WRIST_LOAD),
                        offTheMat.and(NO_WEIGHT_ON_HANDS).and(SOMETHING)),
                new Case(
                        "may not get down, may not kneel",
                        strong().may_not(Restriction.NO_FLOOR, Restriction.NO_KNEELING),
                        offTheMat.and(SOMETHING)),
                new Case(
                        "may not get down: a strong woman still has ten minutes of work",
                        strong().may_not(Restriction.NO_FLOOR),
                        offTheMat.and(uses(ENOUGH_S))),
                new Case(
                        "sore wrists and knees: neither",
                        strong().may_not(Restriction.NO_WRIST_LOAD, Restriction.NO_KNEELING),
                        NO_WEIGHT_ON_HANDS.and(nowhere(Position.KNEELING, Position.HANDS_KNEES))),
                new Case(
                        "not overhead",
                        strong().may_not(Restriction.NO_OVERHEAD),
                        everyRung(rung -> !rung.movement().full().reachesOverhead())),
                new Case(
                        "not face down, graded load",
                        strong().by(Approach.GRADED_LOAD).may_not(Restriction.NO_PRONE),
                        nowhere(Position.PRONE)),
                new Case(
                        "only propped up",
                        strong().may_not(Restriction.SUPINE_INCLINED),
                        nowhere(Position.SUPINE).and(SOMETHING)));
    }

    private static List<Case> shown() {
        List<Case> all = new ArrayList<>();
        for (Approach approach : Approach.values()) {
            all.add(new Case(
                    "holds both legs up for twenty seconds: keeps that, " + approach,
                    strong().by(approach),
                    anyOf("F5", "F6", "F7", "F8")));
        }
        all.add(new Case("five minutes: three exercises at most", strong().minutes(5), atMost(3)));
        all.add(new Case("ten minutes: four at most", strong().minutes(10), atMost(4)));
        all.add(new Case("half an hour: more than ten minutes used", strong().minutes(30), uses(ENOUGH_S)));
        all.add(new Case("two exercises: two", strong().at_most(2), atMost(2)));
        all.add(new Case("three minutes: fits", strong().minutes(3), Plan::fits));
        all.add(new Case(
                "grade 3 and one float: no long lever",
                weeks_after_birth(14).cleared().grade(3, 3).breaths(6).floats(1, 1),
                everyRung(rung -> !rung.asks().contains(Strain.LONG_LEVER))));
        all.add(new Case(
                "one breath kept: breath in doses of three and more",
                weeks_after_birth(12).cleared().grade(3, 3).breaths(1).floats(2, 2),
                strand(Strand.BREATH)
                        .and(every(item -> item.dose().breaths() == null
                                || item.dose().breaths() * item.dose().sets() >= 3))));
        return all;
    }

    private static List<Case> found() {
        return List.of(
                new Case("ribs ahead: arms overhead as work", strong().ribs(RibsOverPelvis.RIBS_AHEAD), holds("AL1")),
                new Case(
                        "a fist under the back: the small tilt",
                        strong().gap(LumbarGap.FIST),
                        anyOf("PC1", "PC2", "PC3")),
                new Case(
                        "both of them: both",
                        strong().ribs(RibsOverPelvis.RIBS_AHEAD).gap(LumbarGap.FIST),
                        holds("AL1").and(anyOf("PC1", "PC2", "PC3"))),
                new Case(
                        "a floor that does not lift",
                        strong().floor(FloorLift.DOES_NOT, LetGo.FULLY),
                        strand(Strand.PELVIC_FLOOR)),
                new Case(
                        "a floor that does not let go: no lifts counted and no impact",
                        strong().floor(FloorLift.LIFTS, LetGo.NO).wants(Goal.BACK_TO_RUNNING),
                        strand(Strand.PELVIC_FLOOR).and(noStrand(Strand.IMPACT))),
                new Case(
                        "the belly does not rise: no hover",
                        strong().scoop(Scoop.NO),
                        without("HP1", "HP2", "HP3", "HP4")),
                new Case(
                        "a firm ridge: low floats, no hover, no side",
                        strong().ridge(Doming.FIRM),
                        without("F3", "F4", "F5", "F6", "F7", "F8", "HP1", "HP2", "SS1", "SS4")),
                new Case(
                        "breathes into the chest: breath is in",
                        strong().pattern(BreathPattern.CHEST_UP),
                        strand(Strand.BREATH)),
                new Case(
                        "coughs outward",
                        strong().cough(Cough.PUSHES_OUT).by(Approach.BREATH_LED),
                        strand(Strand.BREATH)));
    }

    private static List<Case> upright() {
        return List.of(
                new Case(
                        "the day after a birth: getting up by rolling and lifting with the breath, as habits",
                        days_after_birth(1, BirthMode.VAGINAL),
                        plan -> plan.habits().stream().map(Rung::code).toList().containsAll(List.of("UP1", "UP2"))),
                new Case(
                        "eight weeks after, wants to run: not yet",
                        weeks_after_birth(8).cleared().strong().wants(Goal.BACK_TO_RUNNING),
                        noStrand(Strand.IMPACT)),
                new Case(
                        "ten months after, quiet and strong, wants to run: walks first",
                        strong().wants(Goal.BACK_TO_RUNNING),
                        holds("IM1")),
                new Case(
                        "leaked lately, wants to run: not yet",
                        strong().leaked_lately().wants(Goal.BACK_TO_RUNNING),
                        noStrand(Strand.IMPACT)),
                new Case("does not want to run: no impact", strong(), noStrand(Strand.IMPACT)),
                new Case(
                        "pregnant, wants to run: not now",
                        pregnant(18).cleared().strong().wants(Goal.BACK_TO_RUNNING),
                        noStrand(Strand.IMPACT)),
                new Case(
                        "nine days after an operation, nothing cleared",
                        days_after_surgery(9).strong(),
                        NOTHING_LOADED),
                new Case(
                        "never pregnant, never operated, strong: a whole session",
                        never_pregnant().strong(),
                        SOMETHING.and(uses(ENOUGH_S))),
                new Case(
                        "cleared for gentle work at five weeks",
                        weeks_after_birth(5).strong().cleared(Clearance.Scope.GENTLE),
                        NOTHING_LOADED));
    }

    @ParameterizedTest
    @MethodSource("clients")
    void get_a_plan_that_a_careful_reader_would_sign(Case other) {
        Plan plan = other.woman().plan();
        assertThat(other.asExpected().test(plan))
                .as(
                        "%s: %s",
                        other.who(),
                        plan.days().stream()
                                .map(day -> day.name() + rungs(day.items()) + " " + day.secondsPerDay() + " s")
                                .toList())
                .isTrue();
        assertThat(plan.fits()).as(other.who()).isTrue();
        // what is closed and what is given never contradict each other
        Set<String> given = Set.copyOf(rungs(plan));
        assertThat(plan.notOpen())
                .as(other.who())
                .noneMatch(closed -> closed.rung().loaded()
                        && given.contains(closed.rung().code())
                        && plan.items().stream()
                                .anyMatch(item -> item.rung().equals(closed.rung())
                                        && (closed.side() == null || closed.side() == item.side())));
    }
}
