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
import fernstep.core.approach.StanceChange;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Prop;
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
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Strand;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Whole women and what a practitioner would hand each of them: what the plan holds, and what it must not. */
class WholeClientsTest {
    /**
     * @param holds rungs that are in, in some session
     * @param not rungs or strands that must not be */
    record Case(String who, Woman woman, List<String> holds, List<String> not, Predicate<Plan> and) {
        @Override
        public String toString() {
            return who;
        }
    }

    private static Case of(String who, Woman woman, List<String> holds, List<String> not) {
        return new Case(who, woman, holds, not, plan -> true);
    }

    private static Case of(String who, Woman woman, List<String> holds, List<String> not, Predicate<Plan> and) {
        return new Case(who, woman, holds, not, and);
    }

    private static boolean position(Plan plan, Position... allowed) {
        return plan.items().stream().allMatch(item -> List.of(allowed).contains(item.position()));
    }

    private static int works(Plan plan) {
        return (int) Woman.of(plan, Role.WORK).stream()
                .map(PlanItem::strand)
                .distinct()
                .count();
    }

    private static PlanItem item(Plan plan, String rung) {
        return plan.items().stream()
                .filter(item -> item.rung().code().equals(rung))
                .findFirst()
                .orElseThrow();
    }

    private static boolean onlyFoundations(Plan plan) {
        return plan.items().stream().allMatch(item -> item.role() == Role.FOUNDATION);
    }

    static Stream<Case> clients() {
        return Stream.of(
                of(
                        "nine days after a birth, quiet start: breath, engagement, pelvic floor, nothing loaded",
                        days_after_birth(9, BirthMode.VAGINAL)
                                .grade(1, 1)
                                .breaths(2)
                                .by(Approach.QUIET_START)
                                .minutes(10),
                        List.of("BR1", "DC1", "PF1"),
                        List.of("F1", "HS1", "HK3", "BG1"),
                        WholeClientsTest::onlyFoundations),
                of(
                        "the same, three times a day",
                        days_after_birth(9, BirthMode.VAGINAL)
                                .grade(1, 1)
                                .breaths(2)
                                .by(Approach.QUIET_START)
                                .minutes(15),
                        List.of("BR1"),
                        List.of(),
                        plan -> item(plan, "BR1").dose().perDay() == 3),
                of(
                        "the day after a birth, not a day later: breath only until the engagement opens",
                        days_after_birth(1, BirthMode.CAESAREAN).by(Approach.QUIET_START),
                        List.of("BR2"),
                        List.of("DC1", "PF1", "F1")),
                of(
                        "three weeks after a birth, clearance first, nothing cleared: breath and posture",
                        weeks_after_birth(3).strong().by(Approach.SLOW_LADDER),
                        List.of(),
                        List.of("DC1", "DC4", "PF1", "F1", "F5", "HK4")),
                of(
                        "three weeks after, cleared for gentle work: the foundations are the work",
                        weeks_after_birth(3).strong().cleared(Clearance.Scope.GENTLE),
                        List.of("PF1"),
                        List.of("F1", "F5", "HK4"),
                        WholeClientsTest::onlyFoundations),
                of(
                        "six weeks after, nobody cleared anything: engagement opens by date, load does not",
                        weeks_after_birth(6).strong(),
                        List.of("PF1"),
                        List.of("F1", "F5", "HK4", "BG1")),
                of(
                        "seven weeks after a caesarean with a hernia: breath and posture, nothing else",
                        weeks_after_caesarean(7).strong().cleared().says(Answer.HERNIA),
                        List.of("PC6"),
                        List.of("DC1", "F1", "BR3")),
                of(
                        "fever today: nothing at all",
                        weeks_after_birth(30).cleared().strong().says(Answer.FEVER),
                        List.of(),
                        List.of("BR1", "PC6"),
                        plan -> plan.items().isEmpty()),
                of(
                        "breath holder, reversed cough, twelve weeks: breath leads, the float stays at its first step",
                        weeks_after_birth(12)
                                .cleared()
                                .grade(3, 3)
                                .breaths(2)
                                .cough(Cough.PUSHES_OUT)
                                .floats(3, 3)
                                .by(Approach.BREATH_LED),
                        List.of("BR1", "DC2", "F1"),
                        List.of("F2", "HS1", "SS1", "HP1", "BG1")),
                of(
                        "engagement of grade 2: found lying, nothing loaded",
                        weeks_after_birth(12).cleared().grade(2, 2).breaths(5).floats(3, 3),
                        List.of("DC1", "BR2"),
                        List.of("F1", "F3", "HS1", "UP3")),
                of(
                        "engagement not graded, but three floats tested clean: the float and only the float",
                        weeks_after_birth(12).cleared().floats(3, 3).breaths(5),
                        List.of("DC1", "F3"),
                        List.of("HS1", "BG1", "SS1", "RO1")),
                of(
                        "grade 3: first float, slide and neutral on hands and knees, no plank, no side, no bridge",
                        weeks_after_birth(12).cleared().grade(3, 3).breaths(5).minutes(30),
                        List.of("F1", "HK1"),
                        List.of("HP1", "SS1", "BG1", "RO1", "AL1")),
                of(
                        "grade 3, three seconds held: the hold starts at three, below its window",
                        weeks_after_birth(12).cleared().grade(3, 3).breaths(5).holds(4, 4),
                        List.of("DC2"),
                        List.of(),
                        plan -> item(plan, "DC2").dose().holdS() == 3),
                of(
                        "six breaths kept: five to begin with, not one",
                        weeks_after_birth(8).cleared().grade(3, 3).breaths(6).pattern(BreathPattern.CHEST_UP),
                        List.of("BR1"),
                        List.of()),
                of(
                        "four breaths kept but breathing into the chest: breath is not settled",
                        weeks_after_birth(20).cleared().strong().pattern(BreathPattern.CHEST_UP),
                        List.of("BR1"),
                        List.of("DC1", "PC1")),
                of(
                        "everything found good: settle in, four slots, no small tilt and no finding of the engagement",
                        never_pregnant().strong(),
                        List.of("F5", "HK5", "BG1"),
                        List.of("BR1", "DC1", "DC2", "PF1", "PC1", "PC2", "UP1"),
                        plan -> Woman.of(plan, Role.SETTLE_IN).size() == 1 && works(plan) >= 4),
                of(
                        "F5 clean on both sides does not find the small tilt",
                        weeks_after_birth(30).cleared().strong().gap(null),
                        List.of(),
                        List.of("PC1", "PC2", "DC1")),
                of(
                        "but with an arching back in the last sessions she does",
                        weeks_after_birth(30).cleared().strong().seen(SignCode.BACK_ARCHES, "F5", 2),
                        List.of("PC2"),
                        List.of()),
                of(
                        "fist under the back: the small tilt first",
                        weeks_after_birth(12)
                                .cleared()
                                .grade(4, 4)
                                .breaths(6)
                                .floats(2, 2)
                                .gap(LumbarGap.FIST),
                        List.of("PC1"),
                        List.of("F3")),
                of(
                        "pelvis tipped forward beyond five degrees: control first and the back line",
                        weeks_after_birth(20).cleared().strong().floats(4, 4).tilt(9),
                        List.of("PC1"),
                        List.of()),
                of(
                        "ribs ahead: arms overhead, and the standing reset through the day, whatever the gap",
                        weeks_after_birth(20).cleared().strong().ribs(RibsOverPelvis.RIBS_AHEAD),
                        List.of("AL1"),
                        List.of("PC1", "PC6"),
                        plan -> plan.habits().stream()
                                .anyMatch(habit -> habit.code().equals("PC6"))),
                of(
                        "ribs that flare: head and shoulders on support, arms a third of the way",
                        weeks_after_birth(20)
                                .cleared()
                                .strong()
                                .ribs(RibsOverPelvis.RIBS_AHEAD)
                                .ribs_flare(),
                        List.of("AL1"),
                        List.of(),
                        plan -> item(plan, "AL1").range() <= 0.33
                                && item(plan, "AL1").support() != null),
                of(
                        "left side two floats behind: left first, one set more, right leads by one step at most",
                        weeks_after_birth(10).cleared().grade(4, 4).breaths(6).floats(1, 3),
                        List.of("F1", "F2"),
                        List.of("F3"),
                        plan -> {
                            PlanItem first = item(plan, "F1");
                            return first.side() == Side.LEFT
                                    && first.dose().sets() == first.baseDose().sets() + 1;
                        }),
                of(
                        "left holds a third less: left first with one set more",
                        weeks_after_birth(20).cleared().strong().holds(8, 12).minutes(30),
                        List.of("F5"),
                        List.of(),
                        plan -> item(plan, "F5").side() == Side.LEFT
                                && item(plan, "F5").dose().sets()
                                        == item(plan, "F5").baseDose().sets() + 1),
                of(
                        "firm ridge on the head lift: nothing above the second float, no hover, no side support",
                        weeks_after_birth(20).cleared().strong().ridge(Doming.FIRM),
                        List.of("F2"),
                        List.of("F5", "F3", "HP1", "SS1", "HK4", "HK5", "CU1")),
                of(
                        "soft ridge where none is allowed: third float at most",
                        weeks_after_birth(20).cleared().strong().ridge(Doming.SOFT),
                        List.of("F3"),
                        List.of("F4", "F5", "HP1")),
                of(
                        "soft ridge where it may stay: she goes on",
                        weeks_after_birth(20)
                                .cleared()
                                .strong()
                                .ridge(Doming.SOFT)
                                .by(Approach.GRADED_LOAD)
                                .minutes(40),
                        List.of("F5"),
                        List.of("CU1")),
                of(
                        "belly does not rise on hands and knees: scoop, and no load there",
                        weeks_after_birth(20)
                                .cleared()
                                .grade(3, 3)
                                .breaths(6)
                                .floats(2, 2)
                                .scoop(Scoop.NO),
                        List.of("DC3", "F2"),
                        List.of("HK3", "HK4", "HP1")),
                of(
                        "heaviness four weeks back: the pelvic floor is not settled",
                        weeks_after_birth(30).cleared().strong().leaked_lately(),
                        List.of("PF1"),
                        List.of()),
                of(
                        "pelvic floor that does not let go: letting go first",
                        weeks_after_birth(30).cleared().strong().floor(FloorLift.LIFTS, LetGo.PARTLY),
                        List.of("PF1"),
                        List.of()),
                of(
                        "ten weeks after a birth the pelvic floor is work, whatever it shows",
                        weeks_after_birth(10).cleared().strong(),
                        List.of("PF1"),
                        List.of()),
                of(
                        "24 weeks pregnant, not cleared: foundations, inclined, nothing loaded",
                        pregnant(24).strong(),
                        List.of("PF1"),
                        List.of("F5", "HK4", "HK5", "SS1", "BG1"),
                        plan -> plan.items().stream()
                                .noneMatch(item ->
                                        item.position() == Position.SUPINE || item.position() == Position.PRONE)),
                of(
                        "24 weeks pregnant, cleared: inclined floats, no long lever, no curl",
                        pregnant(24).strong().cleared(),
                        List.of("PF1"),
                        List.of("HP4", "HK8", "CU1", "BK6"),
                        plan -> plan.items().stream()
                                .noneMatch(item ->
                                        item.position() == Position.SUPINE || item.position() == Position.PRONE)),
                of(
                        "18 weeks pregnant: flat for three minutes at a stretch at most",
                        pregnant(18).strong().cleared().minutes(45),
                        List.of(),
                        List.of(),
                        WholeClientsTest::flatThreeMinutesAtMost),
                of(
                        "never pregnant but flat for three minutes at a stretch only",
                        never_pregnant()
                                .strong()
                                .may_not(Restriction.SUPINE_LIMITED)
                                .minutes(60)
                                .at_most(8),
                        List.of("F5"),
                        List.of(),
                        WholeClientsTest::flatThreeMinutesAtMost),
                of(
                        "may not get down on the mat: a whole session seated and standing",
                        never_pregnant()
                                .strong()
                                .may_not(Restriction.NO_FLOOR, Restriction.NO_FIRM_BED)
                                .minutes(30),
                        List.of(),
                        List.of("F5"),
                        plan -> !plan.items().isEmpty()
                                && position(plan, Position.SEATED, Position.STANDING, Position.WALL)),
                of(
                        "may not get down on the mat and has a firm bed: the third float, heel slide and bridge on it",
                        never_pregnant().strong().may_not(Restriction.NO_FLOOR).minutes(30),
                        List.of("F3", "SS1"),
                        List.of("F5", "HK5", "HP1"),
                        plan -> plan.items().stream()
                                .filter(item -> item.position() == Position.SUPINE)
                                .allMatch(item -> item.rung().props().contains(Prop.BED)
                                        && String.valueOf(item.why()).contains("why.onABed"))),
                of(
                        "sore wrists: hands and knees on the forearms or not at all",
                        never_pregnant().strong().may_not(Restriction.NO_WRIST_LOAD),
                        List.of(),
                        List.of(),
                        plan -> plan.items().stream()
                                .noneMatch(item -> item.rung().movement().full().bearsOnHands())),
                of(
                        "may not kneel: no hands and knees",
                        never_pregnant().strong().may_not(Restriction.NO_KNEELING),
                        List.of("F5"),
                        List.of(),
                        plan -> plan.items().stream()
                                .noneMatch(item -> item.position() == Position.HANDS_KNEES
                                        || item.position() == Position.KNEELING)),
                of(
                        "ten days after an operation: no reach on hands and knees, tested or not",
                        days_after_surgery(10).strong().by(Approach.QUIET_START),
                        List.of(),
                        List.of("HK4", "HK5", "F5")),
                of(
                        "nine weeks after an operation, cleared: loaded, but no opposite arm and leg",
                        days_after_surgery(63).strong().cleared(),
                        List.of("F5"),
                        List.of("HK7", "AL4")),
                of(
                        "twelve minutes: what fits is in, whole, and the rest is named",
                        never_pregnant().strong().minutes(12),
                        List.of(),
                        List.of(),
                        plan -> plan.fits() && !plan.leftOut().isEmpty()),
                of(
                        "three exercises at most: three",
                        never_pregnant().strong().minutes(60).at_most(3),
                        List.of(),
                        List.of(),
                        plan -> plan.days().stream().allMatch(day -> Plan.size(day.items()) <= 3)),
                of(
                        "about five minutes daily means five minutes",
                        never_pregnant()
                                .strong()
                                .minutes(60)
                                .by(StanceChange.DOSE.in(Approach.SLOW_LADDER.stances(), "MINUTES_DAILY")),
                        List.of(),
                        List.of(),
                        plan -> plan.secondsPerDay() <= 360 && plan.secondsPerDay() >= 150),
                of(
                        "quiet start never repeats load through the day",
                        never_pregnant().strong().by(Approach.QUIET_START).minutes(40),
                        List.of(),
                        List.of(),
                        plan -> plan.items().stream()
                                .noneMatch(item ->
                                        item.rung().loaded() && item.dose().perDay() > 1)),
                of(
                        "five strands in training and eight minutes: A and B, every strand in the week",
                        never_pregnant()
                                .strong()
                                .minutes(8)
                                .trained("F3", 2)
                                .trained("HK4", 3)
                                .trained("SS1", 4)
                                .trained("BG1", 5)
                                .trained("RO1", 6)
                                .by(Approach.GRADED_LOAD)
                                .days(3),
                        List.of("F3", "HK4", "SS1", "BG1", "RO1"),
                        List.of(),
                        plan -> plan.days().size() == 2),
                of(
                        "heavy work five days a week: never on two days running",
                        never_pregnant()
                                .strong()
                                .minutes(45)
                                .trained("F5", 2)
                                .trained("HK5", 2)
                                .trained("SS1", 3)
                                .trained("BG1", 3),
                        List.of("F5", "HK5"),
                        List.of(),
                        plan -> plan.days().size() == 2
                                && plan.items().stream()
                                        .filter(item -> List.of("F5", "HK5", "SS1", "BG1")
                                                .contains(item.rung().code()))
                                        .noneMatch(item -> plan.days().stream().allMatch(day -> day.holds(item)))),
                of(
                        "she climbs the slide: it comes before a float never begun",
                        never_pregnant()
                                .grade(4, 4)
                                .breaths(6)
                                .gap(LumbarGap.FLAT_HAND)
                                .cough(Cough.DRAWS_IN)
                                .floor(FloorLift.LIFTS, LetGo.FULLY)
                                .at_most(4)
                                .trained("HS1", 3),
                        List.of("HS1"),
                        List.of(),
                        plan -> plan.days().stream()
                                .map(day -> Woman.rungs(day.items()))
                                .noneMatch(texts -> texts.contains("HS1") && texts.contains("F1"))),
                of(
                        "she wants a full plank: the hover is in",
                        never_pregnant().strong().wants(Goal.FULL_PLANK).minutes(25),
                        List.of("HP1"),
                        List.of()),
                of(
                        "she wants to carry the car seat: the squat from which the hinge opens",
                        never_pregnant()
                                .strong()
                                .wants(Goal.CAR_SEAT)
                                .minutes(40)
                                .by(Approach.GRADED_LOAD),
                        List.of("UP3"),
                        List.of()),
                of(
                        "locked by hand: in, whatever the need",
                        never_pregnant()
                                .strong()
                                .minutes(20)
                                .chosen(new Choice(Strand.ROTATION, null, null, null, null, true, false)),
                        List.of("RO1"),
                        List.of()),
                of(
                        "left out by hand: out, and said so",
                        never_pregnant()
                                .strong()
                                .chosen(new Choice(Strand.LEG_FLOAT, null, null, null, null, false, true)),
                        List.of(),
                        List.of("F5"),
                        plan -> plan.leftOut().stream()
                                .anyMatch(out -> out.why().key().equals("leftOut.byHand"))),
                of(
                        "a rung set by hand that is closed today is not given",
                        weeks_after_birth(20)
                                .cleared()
                                .strong()
                                .ridge(Doming.FIRM)
                                .chosen(new Choice(Strand.LEG_FLOAT, Side.LEFT, "F5", null, null, true, false)),
                        List.of("F2"),
                        List.of("F5")));
    }

    private static boolean flatThreeMinutesAtMost(Plan plan) {
        for (Plan.Day day : plan.days()) {
            int stretch = 0;
            for (PlanItem i : day.items()) {
                stretch = i.position() == Position.SUPINE ? stretch + i.seconds() : 0;
                if (stretch > 180) {
                    return false;
                }
            }
        }
        return true;
    }

    @ParameterizedTest
    @MethodSource("clients")
    void get_what_a_careful_practitioner_would_hand_over(Case other) {
        Plan plan = other.woman().plan();
        List<String> told = rungs(plan);
        assertThat(told).as("%s: in", other.who()).containsAll(other.holds());
        assertThat(told)
                .as("%s: not in", other.who())
                .doesNotContainAnyElementsOf(other.not().isEmpty() ? List.of("-") : other.not());
        assertThat(other.and().test(plan))
                .as(
                        "%s: %s on %s",
                        other.who(),
                        told,
                        plan.days().stream()
                                .map(day -> day.name() + rungs(day.items()) + " " + day.secondsPerDay() + " s")
                                .toList())
                .isTrue();
        assertThat(plan.fits()).as(other.who()).isTrue();
    }
}
