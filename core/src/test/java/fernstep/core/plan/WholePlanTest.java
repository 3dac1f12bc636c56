package fernstep.core.plan;

import static fernstep.core.plan.Woman.never_pregnant;
import static fernstep.core.plan.Woman.weeks_after_birth;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.approach.StanceChange;
import fernstep.core.body.Capacity;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.BirthMode;
import fernstep.core.client.Clearance;
import fernstep.core.client.Restriction;
import fernstep.core.findings.Observed;
import fernstep.core.findings.Observed.FloorLift;
import fernstep.core.findings.Observed.LetGo;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Strand;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How a plan is put together: foundations in turn, what is locked or left out by hand, what stays out and why. */
class WholePlanTest {
    private static Choice locked(Strand strand) {
        return new Choice(strand, null, null, null, null, true, false);
    }

    private static Choice out(Strand strand) {
        return new Choice(strand, null, null, null, null, false, true);
    }

    private static List<Strand> foundations(Plan plan) {
        return Woman.of(plan, Role.FOUNDATION).stream()
                .map(PlanItem::strand)
                .distinct()
                .toList();
    }

    private static Map<Strand, Reason> leftOut(Plan plan) {
        return plan.leftOut().stream().collect(Collectors.toMap(LeftOut::strand, LeftOut::why));
    }

    private static @Nullable PlanItem item(Plan plan, Strand strand) {
        return plan.items().stream()
                .filter(item -> item.strand() == strand && item.role() != Role.SETTLE_IN)
                .findFirst()
                .orElse(null);
    }

    /** Everything still to be learnt: breath pattern off, engagement fair, floor not asked, a fist under the back. */
    private static Woman unlearnt(Woman woman) {
        return woman.grade(3, 3)
                .breaths(3)
                .pattern(Observed.BreathPattern.CHEST_UP)
                .gap(Observed.LumbarGap.FIST)
                .minutes(60)
                .at_most(8);
    }

    @Test
    void two_foundations_beside_work_three_where_they_are_the_work_and_what_a_finding_asks_for() {
        Plan beside = unlearnt(weeks_after_birth(30).cleared()).plan();
        assertThat(foundations(beside))
                .as("the fist asks for the pelvis beside the two whose turn it is")
                .containsExactlyInAnyOrder(Strand.BREATH, Strand.DEEP_CORE, Strand.PELVIC_CONTROL);
        assertThat(leftOut(beside)).containsEntry(Strand.PELVIC_FLOOR, Reason.of("leftOut.foundationsInTurn"));
        Plan asWork =
                unlearnt(weeks_after_birth(4).cleared(Clearance.Scope.GENTLE)).plan();
        assertThat(foundations(asWork))
                .containsExactlyInAnyOrder(Strand.BREATH, Strand.DEEP_CORE, Strand.PELVIC_FLOOR, Strand.PELVIC_CONTROL);
        assertThat(asWork.items()).allMatch(item -> item.role() == Role.FOUNDATION);
    }

    @Test
    void a_floor_that_does_not_let_go_is_taught_whatever_else_she_can() {
        Plan plan =
                never_pregnant().strong().floor(FloorLift.LIFTS, LetGo.PARTLY).plan();
        PlanItem floor = item(plan, Strand.PELVIC_FLOOR);
        assertThat(floor).isNotNull();
        assertThat(floor.why().facts().get(0)).isEqualTo(Reason.of("need.floorLetsNotGo"));
    }

    @ParameterizedTest(name = "{0} days after a birth: must {1}")
    @CsvSource({"90, true", "181, true", "182, false", "400, false"})
    void the_pelvic_floor_is_trained_until_six_months_after_a_birth(int days, boolean must) {
        Plan plan = Woman.days_after_birth(days, BirthMode.VAGINAL)
                .strong()
                .cleared()
                .floor(FloorLift.LIFTS, LetGo.FULLY)
                .plan();
        boolean asked = plan.items().stream()
                .anyMatch(item -> String.valueOf(item.why()).contains("need.floorAfterBirth"));
        assertThat(asked).isEqualTo(must);
    }

    @Test
    void a_finding_that_has_no_place_is_told_by_name() {
        Woman w = unlearnt(weeks_after_birth(30).cleared());
        assertThat(FindingLine.unserved(w.plan(), w.question())).isEmpty();
        Plan without = w.chosen(out(Strand.PELVIC_CONTROL)).plan();
        assertThat(FindingLine.unserved(without, w.question()))
                .extracting(line -> line.why().key())
                .containsExactly("need.fistGap");
        Woman ahead = never_pregnant().strong().gap(Observed.LumbarGap.FIST).ribs(Observed.RibsOverPelvis.RIBS_AHEAD);
        Plan onlyTheHabit = ahead.plan().keeping(item -> item.strand() != Strand.PELVIC_CONTROL);
        assertThat(onlyTheHabit.habits()).extracting(Rung::code).contains("PC6");
        assertThat(FindingLine.unserved(onlyTheHabit, ahead.question()))
                .as("standing over the pelvis does not teach what the fist asks for")
                .extracting(line -> line.why().key())
                .contains("need.fistGap")
                .doesNotContain("need.ribsAheadStanding");
    }

    @Test
    void before_load_may_begin_work_waits_behind_the_foundations_unless_it_is_locked() {
        Woman early = unlearnt(weeks_after_birth(4).cleared(Clearance.Scope.GENTLE));
        assertThat(leftOut(early.plan())).containsEntry(Strand.BACK_LINE, Reason.of("leftOut.foundationsFirst"));
        Plan plan = early.chosen(locked(Strand.BACK_LINE)).plan();
        assertThat(item(plan, Strand.BACK_LINE)).isNotNull();
        assertThat(leftOut(plan)).doesNotContainKey(Strand.BACK_LINE);
    }

    @Test
    void a_pelvis_tipped_forward_is_learnt_before_breath() {
        Plan plan = unlearnt(weeks_after_birth(30).cleared()).tilt(9).plan();
        assertThat(foundations(plan)).containsExactlyInAnyOrder(Strand.PELVIC_CONTROL, Strand.BREATH);
    }

    @Test
    void a_foundation_locked_by_hand_is_in_beside_the_two_whose_turn_it_is() {
        Plan plan = unlearnt(weeks_after_birth(30).cleared())
                .chosen(locked(Strand.PELVIC_CONTROL))
                .plan();
        assertThat(foundations(plan)).containsExactlyInAnyOrder(Strand.BREATH, Strand.DEEP_CORE, Strand.PELVIC_CONTROL);
        assertThat(leftOut(plan)).containsEntry(Strand.PELVIC_FLOOR, Reason.of("leftOut.foundationsInTurn"));
    }

    @Test
    void a_second_foundation_that_does_not_fit_her_minutes_waits_and_says_so() {
        // three sets of ten with five seconds held, 13 s each, and two rests: 450 s, longer than what breath leaves of
        // three
        // minutes
        Dose long_ = new Dose(3, 10, 5, null, 1, 5);
        Plan plan = unlearnt(weeks_after_birth(30).cleared())
                .minutes(3)
                .chosen(new Choice(Strand.DEEP_CORE, null, null, long_, null, false, false))
                .plan();
        assertThat(foundations(plan)).contains(Strand.BREATH).doesNotContain(Strand.DEEP_CORE);
        Map<Strand, Reason> out = leftOut(plan);
        assertThat(out.get(Strand.DEEP_CORE)).isEqualTo(Reason.of("leftOut.minutes", 8));
    }

    @Test
    void a_single_foundation_too_long_for_her_minutes_is_done_in_one_set() {
        Dose threeSets = new Dose(3, null, null, 12, 1, 5);
        Woman w = unlearnt(weeks_after_birth(30).cleared())
                .minutes(3)
                .chosen(new Choice(Strand.BREATH, null, null, threeSets, null, false, false));
        Plan plan = w.plan();
        PlanItem breath = item(plan, Strand.BREATH);
        assertThat(breath).isNotNull();
        assertThat(breath.dose().sets()).isEqualTo(1);
        assertThat(breath.baseDose().sets()).isEqualTo(1);
        assertThat(breath.seconds()).isEqualTo(SessionTime.seconds(breath.rung(), breath.dose()));
        PlanItem whole = item(w.minutes(60).plan(), Strand.BREATH);
        assertThat(whole).isNotNull();
        assertThat(whole.dose().sets()).isEqualTo(3);
    }

    @Test
    void what_is_left_out_by_hand_is_out_and_its_turn_goes_to_the_next() {
        Plan plan = unlearnt(weeks_after_birth(30).cleared())
                .chosen(out(Strand.DEEP_CORE))
                .plan();
        assertThat(foundations(plan))
                .containsExactlyInAnyOrder(Strand.BREATH, Strand.PELVIC_FLOOR, Strand.PELVIC_CONTROL);
        assertThat(leftOut(plan)).containsEntry(Strand.DEEP_CORE, Reason.of("leftOut.byHand"));
    }

    @Test
    void why_a_strand_is_in_stands_before_why_this_rung() {
        Plan plan = unlearnt(weeks_after_birth(30).cleared()).floats(1, 1).plan();
        PlanItem breath = item(plan, Strand.BREATH);
        assertThat(breath).isNotNull();
        assertThat(breath.why().key()).isEqualTo("why.both");
        assertThat(breath.why().facts().get(0)).isEqualTo(Reason.of("need.breathPattern"));
        PlanItem floats = item(plan, Strand.LEG_FLOAT);
        assertThat(floats).isNotNull();
        assertThat(floats.why())
                .isEqualTo(Reason.of("why.both", Reason.of("need.floatWeak", 1), Reason.of("why.floatScore", 1)));
    }

    private static Woman ribsAhead() {
        return never_pregnant().strong().ribs(Observed.RibsOverPelvis.RIBS_AHEAD);
    }

    private static List<String> habits(Woman woman) {
        return woman.plan().habits().stream().map(Rung::code).toList();
    }

    @Test
    void ribs_ahead_stand_over_the_pelvis_through_the_day_without_minutes_unless_it_is_left_out() {
        assertThat(habits(ribsAhead())).contains("PC6");
        assertThat(item(ribsAhead().plan(), Strand.PELVIC_CONTROL)).isNull();
        assertThat(habits(never_pregnant().strong())).doesNotContain("PC6");
        assertThat(habits(ribsAhead().chosen(out(Strand.PELVIC_CONTROL)))).doesNotContain("PC6");
        PlanItem learnt = item(ribsAhead().gap(Observed.LumbarGap.FIST).tilt(9).plan(), Strand.PELVIC_CONTROL);
        assertThat(learnt).isNotNull();
        assertThat(learnt.role()).as("the fist is learnt as well").isEqualTo(Role.FOUNDATION);
    }

    @Test
    void standing_over_the_pelvis_gives_way_to_what_she_has_to_learn_first() {
        Woman w = unlearnt(weeks_after_birth(30).cleared()).ribs(Observed.RibsOverPelvis.RIBS_AHEAD);
        for (int minutes = 3; minutes <= 12; minutes++) {
            Plan plan = w.minutes(minutes).plan();
            assertThat(foundations(plan)).as("%d minutes", minutes).contains(Strand.BREATH);
            assertThat(plan.fits()).as("%d minutes", minutes).isTrue();
        }
    }

    @Test
    void daily_life_is_said_while_it_is_open_and_not_while_nothing_is() {
        assertThat(never_pregnant().strong().plan().habits())
                .extracting(rung -> rung.code())
                .containsExactly("UP1", "UP2");
        assertThat(never_pregnant().strong().says(Answer.FEVER).plan().habits()).isEmpty();
    }

    @Test
    void what_does_not_get_in_says_whether_minutes_size_or_nothing_spoke_for_it() {
        Plan few = never_pregnant()
                .strong()
                .trained("SS1", 3)
                .trained("BG1", 3)
                .days(1)
                .minutes(60)
                .at_most(3)
                .plan();
        assertThat(few.leftOut()).isNotEmpty();
        assertThat(few.leftOut())
                .filteredOn(out -> !Foundations.ORDER.contains(out.strand()))
                .extracting(out -> out.why().key())
                .contains("leftOut.size");
        assertThat(few.leftOut())
                .filteredOn(out -> out.why().key().equals("leftOut.size"))
                .allMatch(out -> out.why().facts().equals(List.of(3)));
        Plan roomy = never_pregnant().strong().minutes(90).at_most(10).plan();
        assertThat(roomy.leftOut()).extracting(out -> out.why().key()).contains("leftOut.nothingCalls");
    }

    @Test
    void what_is_heavy_for_her_comes_every_other_day_and_on_daily_approaches_every_day() {
        Woman w = never_pregnant().strong().minutes(45).trained("F5", 2);
        Plan plan = w.plan();
        PlanItem floats = item(plan, Strand.LEG_FLOAT);
        assertThat(floats).isNotNull();
        assertThat(plan.days()).hasSize(2);
        assertThat(plan.days().get(0).holds(floats))
                .isNotEqualTo(plan.days().get(1).holds(floats));
        Plan unknown = never_pregnant().strong().minutes(45).at("F5").plan();
        assertThat(unknown.days())
                .as("nothing held yet: nothing is known to be heavy")
                .hasSize(1);
        Plan daily = never_pregnant()
                .strong()
                .minutes(45)
                .trained("F5", 2)
                .by(StanceChange.DOSE.in(Approach.SLOW_LADDER.stances(), "MICRO_DAILY"))
                .plan();
        assertThat(daily.days()).hasSize(1);
    }

    @Test
    void the_same_rung_is_not_given_for_two_strands() {
        for (Woman w : List.of(
                never_pregnant()
                        .strong()
                        .may_not(Restriction.NO_PRONE)
                        .minutes(60)
                        .at_most(10),
                never_pregnant()
                        .strong()
                        .may_not(Restriction.NO_FLOOR)
                        .minutes(60)
                        .at_most(10))) {
            Plan plan = w.plan();
            assertThat(plan.items().stream()
                            .filter(item -> item.role() != Role.SETTLE_IN)
                            .map(item -> item.rung().code() + item.side())
                            .toList())
                    .doesNotHaveDuplicates();
        }
    }

    /** A dose of a rung that takes between so many seconds. */
    private static Dose lasting(String code, int fromS, int toS) {
        Rung rung = ShippedCatalogue.CATALOGUE.rung(code);
        boolean breaths = rung.window().breaths() != null;
        for (int sets = 1; sets <= 3; sets++) {
            for (int n = 1; n <= 20; n++) {
                Dose dose = new Dose(sets, breaths ? null : n, breaths ? null : 3, breaths ? n : null, 1, 5);
                int seconds = SessionTime.seconds(rung, dose);
                if (seconds >= fromS && seconds <= toS) {
                    return dose;
                }
            }
        }
        throw new AssertionError("no dose of " + code);
    }

    private static Choice dosed(Strand strand, Dose dose) {
        return new Choice(strand, null, null, dose, null, false, false);
    }

    @Test
    void settling_in_does_not_push_out_what_fills_her_minutes() {
        Woman w = never_pregnant()
                .strong()
                .floor(FloorLift.BEARS_DOWN, LetGo.FULLY)
                .ribs(Observed.RibsOverPelvis.RIBS_AHEAD)
                .chosen(dosed(Strand.PELVIC_FLOOR, lasting("PF1", 150, 175)));
        Plan full = w.minutes(3).plan();
        assertThat(foundations(full)).containsExactly(Strand.PELVIC_FLOOR);
        assertThat(full.fits()).isTrue();
        assertThat(Woman.of(full, Role.SETTLE_IN)).isEmpty();
        assertThat(item(full, Strand.PELVIC_CONTROL)).isNull();
        Plan roomy = w.minutes(20).plan();
        assertThat(Woman.of(roomy, Role.SETTLE_IN)).hasSize(1);
    }

    @Test
    void one_rung_that_two_strands_come_to_is_given_for_the_first() {
        Woman w = never_pregnant()
                .strong()
                .may_not(Restriction.NO_PRONE)
                .at("HK4")
                .at("BK8")
                .minutes(60)
                .at_most(10);
        // for BK8, face down, HK4 stands in
        assertThat(w.plan().items().stream()
                        .filter(item -> item.rung().code().equals("HK4"))
                        .map(PlanItem::strand)
                        .toList())
                .containsExactly(Strand.HANDS_KNEES, Strand.HANDS_KNEES);
        Plan alone = never_pregnant()
                .strong()
                .may_not(Restriction.NO_PRONE)
                .at("HK3")
                .at("BK8")
                .minutes(60)
                .at_most(10)
                .plan();
        assertThat(alone.items().stream()
                        .filter(item -> item.strand() == Strand.BACK_LINE)
                        .map(item -> item.rung().code())
                        .distinct()
                        .toList())
                .containsExactly("HK4");
    }

    @ParameterizedTest(name = "{0} of what she has held clean: {1} days")
    @CsvSource({"0.59, 1", "0.61, 2", "1, 2"})
    void more_than_three_fifths_of_what_she_has_held_clean_is_heavy(double share, int days) {
        Plan.Question q = never_pregnant().strong().minutes(60).at("F5").question();
        PlanItem floats = item(Plan.of(q), Strand.LEG_FLOAT);
        assertThat(floats).isNotNull();
        List<Capacity.Clean> held = Stream.of(Side.values())
                .map(side ->
                        new Capacity.Clean(Woman.TODAY, floats.rung().family(), side, floats.loadIndex() / share, null))
                .toList();
        Training t = q.training();
        Training known = new Training(
                t.places(), t.log(), t.history(), held, t.floorSymptoms(), t.today(), t.checkedOn(), t.loads());
        assertThat(Plan.of(new Plan.Question(q.catalogue(), q.her(), known, q.wishes()))
                        .days())
                .hasSize(days);
    }

    @Test
    void a_week_has_as_many_days_as_the_most_frequent_exercise() {
        assertThat(unlearnt(weeks_after_birth(30).cleared()).days(7).plan().daysPerWeek())
                .hasValue(5);
        assertThat(unlearnt(weeks_after_birth(30).cleared()).days(4).plan().daysPerWeek())
                .hasValue(4);
        assertThat(weeks_after_birth(20)
                        .cleared()
                        .says(Answer.FEVER)
                        .days(6)
                        .plan()
                        .daysPerWeek())
                .isEmpty();
    }
}
