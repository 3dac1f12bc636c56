package fernstep.core.plan;

import static fernstep.core.plan.Woman.never_pregnant;
import static fernstep.core.plan.Woman.weeks_after_birth;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Easing;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.Restriction;
import fernstep.core.findings.Observed;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** One strand at a time: from where she stands, or what the practitioner set, to what she does today. */
class StrandItemsTest {
    private static final Catalogue CATALOGUE = ShippedCatalogue.CATALOGUE;

    private static Plan.Question question(Woman woman, Place... places) {
        Plan.Question q = woman.question();
        return new Plan.Question(q.catalogue(), q.her(), q.training().with(List.of(places)), q.wishes());
    }

    private static StrandItems made(Plan.Question question, Strand strand) {
        return new StrandItems(
                question,
                CATALOGUE.strand(strand).orElseThrow(),
                question.known(),
                new Shown(question),
                new Foundations(question).settled().contains(strand));
    }

    private static List<String> rungs(StrandItems made) {
        return made.items().stream()
                .map(item -> item.rung().code() + (item.side() == null ? "" : " " + item.side()))
                .toList();
    }

    private static Place place(String code, @Nullable Side side, Dose dose, double range) {
        return new Place(CATALOGUE.rung(code).strand(), side, code, dose, range, Reason.of("why.progress"));
    }

    private static Choice rung(Strand strand, @Nullable Side side, String code) {
        return new Choice(strand, side, code, null, null, false, false);
    }

    private static final Dose FOUR = new Dose(2, 12, null, null, 1, 4);

    @Test
    void her_place_is_taken_with_its_dose_range_and_reason() {
        Plan.Question q = question(
                never_pregnant().strong(), place("F2", Side.LEFT, FOUR, 0.6), place("F2", Side.RIGHT, FOUR, 0.8));
        StrandItems made = made(q, Strand.LEG_FLOAT);
        assertThat(rungs(made)).containsExactly("F2 LEFT", "F2 RIGHT");
        PlanItem left = made.items().get(0);
        assertThat(left.baseDose()).isEqualTo(FOUR);
        assertThat(left.dose()).isEqualTo(FOUR);
        assertThat(left.range()).isEqualTo(0.6);
        assertThat(made.items().get(1).range()).isEqualTo(0.8);
        assertThat(left.why()).isEqualTo(Reason.of("why.progress"));
        assertThat(left.opened()).isNull();
        assertThat(left.loadIndex())
                .isEqualTo(
                        left.rung().movement().point(q.her().body(), 0.6).load().loadIndex());
        assertThat(left.seconds()).isEqualTo(SessionTime.seconds(left.rung(), FOUR));
        assertThat(left.loadSeconds()).isEqualTo(SessionTime.loadSeconds(left.rung(), FOUR));
    }

    @Test
    void what_was_eased_begins_there_on_its_side_and_says_since_when_and_why() {
        Easing bent = new Easing(30, Set.of(Lever.BEND_KNEE), Set.of());
        Eased eased =
                new Eased(new CleanSetting("F4", 0.5, bent, 9, null), LocalDate.of(2031, 6, 14), SignCode.DOME_SOFT);
        Place left = new Place(Strand.LEG_FLOAT, Side.LEFT, "F4", FOUR, 0.6, Reason.of("why.progress"), eased);
        Plan.Question q = question(never_pregnant().strong(), left, place("F4", Side.RIGHT, FOUR, 0.6));
        List<PlanItem> items = made(q, Strand.LEG_FLOAT).items();
        PlanItem easier = items.stream()
                .filter(item -> item.side() == Side.LEFT)
                .findFirst()
                .orElseThrow();
        PlanItem asPlanned = items.stream()
                .filter(item -> item.side() == Side.RIGHT)
                .findFirst()
                .orElseThrow();
        assertThat(easier.range()).isEqualTo(0.5);
        assertThat(easier.dose().reps()).isEqualTo(9);
        assertThat(easier.loadIndex()).isLessThan(asPlanned.loadIndex());
        assertThat(easier.asDone(q.her().body())).isNotEqualTo(easier.rung());
        assertThat(easier.easedWhy().key()).isEqualTo("eased.sinceBecause");
        assertThat(asPlanned.dose().reps()).isEqualTo(12);
        assertThat(asPlanned.easedWhy()).isNull();
    }

    @Test
    void a_place_of_another_strand_side_or_of_no_known_rung_is_passed_over() {
        Place unknown = new Place(Strand.LEG_FLOAT, null, "ZZ9", FOUR, 1, Reason.of("why.progress"));
        Plan.Question q = question(
                never_pregnant().strong().floats(2, 2),
                unknown,
                place("HS1", Side.LEFT, FOUR, 0.3),
                place("F3", Side.RIGHT, FOUR, 0.6));
        assertThat(rungs(made(q, Strand.LEG_FLOAT))).containsExactly("F2 LEFT", "F3 RIGHT");
        Place habit = place("UP1", null, new Dose(1, 3, null, null, 1, 7), 1);
        Plan.Question up = question(never_pregnant().strong().at("DC5"), habit, place("DC5", null, FOUR, 1));
        assertThat(rungs(made(up, Strand.UPRIGHT)))
                .as("rolling over is no exercise")
                .doesNotContain("UP1");
    }

    @Test
    void what_was_tested_clean_is_done_in_full_and_what_was_not_begins_at_its_first_range() {
        Woman tested = never_pregnant().strong().floats(2, 2);
        assertThat(made(tested.question(), Strand.LEG_FLOAT).items())
                .allMatch(item -> item.rung().code().equals("F2"))
                .allMatch(item -> item.range() == 1.0)
                .allMatch(item -> item.why().key().equals("why.floatScore"));
        Woman first = never_pregnant().strong().floats(0, 0);
        assertThat(made(first.question(), Strand.LEG_FLOAT).items())
                .allMatch(item -> item.rung().code().equals("F1"))
                .allMatch(item -> item.range() == 0.0);
    }

    @Test
    void a_rung_by_hand_comes_before_her_place_on_that_side_only() {
        Woman w = never_pregnant().strong().chosen(rung(Strand.LEG_FLOAT, Side.RIGHT, "F1"));
        Plan.Question q = question(w, place("F2", Side.LEFT, FOUR, 0.6), place("F2", Side.RIGHT, FOUR, 0.6));
        StrandItems made = made(q, Strand.LEG_FLOAT);
        assertThat(rungs(made)).as("the lower side first").containsExactly("F1 RIGHT", "F2 LEFT");
        assertThat(made.items().get(0).why()).isEqualTo(Reason.of("why.byHand"));
        assertThat(made.items().get(1).why()).isEqualTo(Reason.of("why.progress"));
        Woman both = never_pregnant().strong().chosen(rung(Strand.LEG_FLOAT, null, "F1"));
        assertThat(rungs(made(
                        question(both, place("F2", Side.LEFT, FOUR, 0.6), place("F2", Side.RIGHT, FOUR, 0.6)),
                        Strand.LEG_FLOAT)))
                .containsExactly("F1 LEFT", "F1 RIGHT");
    }

    @Test
    void a_choice_without_a_known_rung_moves_none_but_its_dose_and_range_count() {
        Dose own = new Dose(3, 7, null, null, 1, 2);
        Woman w = never_pregnant()
                .strong()
                .chosen(new Choice(Strand.LEG_FLOAT, Side.LEFT, null, own, 0.45, false, false))
                .chosen(new Choice(Strand.BRIDGE, null, "ZZ9", null, null, false, false));
        Plan.Question q = question(w, place("F2", Side.LEFT, FOUR, 0.6), place("F2", Side.RIGHT, FOUR, 0.6));
        StrandItems made = made(q, Strand.LEG_FLOAT);
        assertThat(rungs(made)).containsExactly("F2 LEFT", "F2 RIGHT");
        assertThat(made.items().get(0).baseDose()).isEqualTo(own);
        assertThat(made.items().get(0).range()).isEqualTo(0.45);
        assertThat(made.items().get(1).baseDose()).isEqualTo(FOUR);
        assertThat(made.items().get(1).range()).isEqualTo(0.6);
        assertThat(rungs(made(w.question(), Strand.BRIDGE))).containsExactly("BG1");
    }

    @Test
    void load_is_given_once_a_day_and_not_on_more_days_than_she_has() {
        Dose thrice = new Dose(2, 12, null, null, 3, 6);
        Plan.Question q = question(
                never_pregnant().days(4),
                place("F2", Side.LEFT, thrice, 0.5),
                place("F2", Side.RIGHT, thrice, 0.5),
                place("PC4", null, thrice, 1));
        Plan.Question strong = question(
                never_pregnant().strong().days(4),
                place("F2", Side.LEFT, thrice, 0.5),
                place("F2", Side.RIGHT, thrice, 0.5));
        assertThat(made(strong, Strand.LEG_FLOAT).items())
                .hasSize(2)
                .allMatch(item -> item.dose().equals(new Dose(2, 12, null, null, 1, 4)));
        assertThat(made(q, Strand.PELVIC_CONTROL).items())
                .as("what is not loaded may be repeated")
                .hasSize(1)
                .allMatch(item -> item.dose().equals(new Dose(2, 12, null, null, 3, 4)));
    }

    @ParameterizedTest(name = "floats {0} and {1}: {2}, then {3}")
    @CsvSource({
        "1, 4, F1 LEFT, F2 RIGHT, true",
        "4, 1, F1 RIGHT, F2 LEFT, true",
        "2, 3, F2 LEFT, F3 RIGHT, false",
        "3, 3, F3 LEFT, F3 RIGHT, false"
    })
    void the_stronger_side_leads_by_one_rung_at_most(
            int left, int right, String first, String second, boolean heldBack) {
        StrandItems made = made(never_pregnant().strong().floats(left, right).question(), Strand.LEG_FLOAT);
        assertThat(rungs(made)).containsExactly(first, second);
        Reason why = made.items().get(1).why();
        assertThat(why.key().equals("why.strongerSideWaits")).isEqualTo(heldBack);
        if (heldBack) {
            assertThat(why.facts())
                    .containsExactly(Reason.of("rung.name", CATALOGUE.rung("F4").name(), "F4"));
        }
        int more = left == right ? 0 : 1;
        PlanItem weak = made.items().get(0);
        assertThat(weak.dose().sets()).isEqualTo(weak.baseDose().sets() + more);
        assertThat(made.items().get(1).dose()).isEqualTo(made.items().get(1).baseDose());
    }

    @ParameterizedTest(name = "left on {0}, right on {1}: {2}, {3}")
    @CsvSource({
        // a branch comes between in the order of the strand, not on the ladder
        "SS2, SS4, SS2 LEFT, SS4 RIGHT",
        "SS1, SS4, SS1 LEFT, SS2 RIGHT",
        "SS4, SS2, SS2 RIGHT, SS4 LEFT",
        "HK5, HK7, HK5 LEFT, HK7 RIGHT",
        "HK4, HK7, HK4 LEFT, HK5 RIGHT",
        // a branch stands beside the rung it leaves
        "HK5, HK9, HK5 LEFT, HK9 RIGHT",
        "SS3, SS1, SS3 LEFT, SS1 RIGHT",
        "SS3, SS2, SS3 LEFT, SS2 RIGHT"
    })
    void rungs_are_counted_on_the_ladder_and_not_over_its_branches(
            String left, String right, String first, String second) {
        Strand strand = CATALOGUE.rung(left).strand();
        Woman w = never_pregnant()
                .strong()
                .clean_weeks(30)
                .chosen(rung(strand, Side.LEFT, left))
                .chosen(rung(strand, Side.RIGHT, right));
        Plan.Question q = w.question();
        RungGates.Known all = q.known()
                .withDone(CATALOGUE.rungs().stream()
                        .map(rung -> new RungGates.Done(rung.code(), null))
                        .collect(Collectors.toSet()));
        assertThat(rungs(new StrandItems(q, CATALOGUE.strand(strand).orElseThrow(), all, new Shown(q), false)))
                .containsExactly(first, second);
    }

    @Test
    void of_even_sides_the_one_she_holds_less_on_leads_and_without_a_measure_the_left() {
        Woman right = never_pregnant().strong().floats(2, 2).holds(12, 7);
        StrandItems made = made(right.question(), Strand.LEG_FLOAT);
        assertThat(rungs(made)).containsExactly("F2 RIGHT", "F2 LEFT");
        assertThat(made.items().get(0).dose().sets())
                .isEqualTo(made.items().get(0).baseDose().sets() + 1);
    }

    @Test
    void a_closed_rung_is_stepped_down_from_and_says_what_it_waits_for() {
        Woman w = never_pregnant().strong().ridge(Observed.Doming.FIRM);
        Plan.Question q = question(w, place("F4", Side.LEFT, FOUR, 0.6), place("F4", Side.RIGHT, FOUR, 0.6));
        StrandItems made = made(q, Strand.LEG_FLOAT);
        assertThat(rungs(made)).containsExactly("F2 LEFT", "F2 RIGHT");
        PlanItem item = made.items().get(0);
        assertThat(item.why())
                .isEqualTo(Reason.of(
                        "why.gateBelow",
                        Reason.of("rung.name", CATALOGUE.rung("F4").name(), "F4"),
                        Reason.of("waiting.firmRidge")));
        assertThat(item.baseDose())
                .as("its own dose is not that of the rung above")
                .isNotEqualTo(FOUR);
    }

    @Test
    void where_nothing_of_a_strand_is_open_its_first_rung_says_why() {
        Woman w = weeks_after_birth(3).strong();
        StrandItems made = made(w.question(), Strand.BRIDGE);
        assertThat(made.items()).isEmpty();
        assertThat(made.notOpen()).hasSize(1);
        assertThat(made.notOpen().get(0).rung().code()).isEqualTo("BG1");
        assertThat(made.notOpen().get(0).waiting()).extracting(Waiting::code).contains("FIRST_LOADED");
        StrandItems unknown = made(never_pregnant().question(), Strand.BRIDGE);
        assertThat(unknown.notOpen().get(0).waiting())
                .containsExactly(new Waiting.NoneChosen(Reason.of("waiting.setUnknown")));
        Woman byHand = never_pregnant().chosen(rung(Strand.BRIDGE, Side.RIGHT, "BG1"));
        assertThat(made(byHand.question(), Strand.BRIDGE).notOpen())
                .as("what was set on one side is looked at")
                .allMatch(open -> open.waiting().stream()
                        .noneMatch(waiting -> waiting.code().equals("FINDING")));
    }

    @Test
    void what_is_open_from_the_first_day_is_given_where_all_else_waits() {
        Woman w = weeks_after_birth(1).strong();
        assertThat(rungs(made(w.question(), Strand.BREATH)))
                .allMatch(text -> List.of("BR1", "BR2").contains(text));
        assertThat(made(w.question(), Strand.BACK_LINE).items())
                .hasSize(1)
                .allMatch(item -> item.rung().fromDayOne());
        StrandItems upright = made(w.question(), Strand.UPRIGHT);
        assertThat(upright.items()).as("rolling over is said with every plan").isEmpty();
        assertThat(upright.notOpen()).hasSize(1);
        assertThat(upright.notOpen().get(0).rung().code()).isEqualTo("UP3");
        assertThat(upright.notOpen().get(0).waiting()).isNotEmpty();
    }

    @Test
    void a_settled_foundation_goes_on_with_its_upper_rungs_and_never_back() {
        Woman w = never_pregnant().strong();
        StrandItems made = made(w.question(), Strand.DEEP_CORE);
        assertThat(rungs(made)).containsExactly("DC4");
        assertThat(made.items().get(0).why()).isEqualTo(Reason.of("why.carryOver"));
        assertThat(made.items().get(0).role()).isEqualTo(Role.CARRY_OVER);
        Dose own = new Dose(2, 5, 6, null, 1, 3);
        StrandItems below = made(question(w, place("DC1", null, own, 1)), Strand.DEEP_CORE);
        assertThat(rungs(below)).as("from what it has learnt up").containsExactly("DC4");
        assertThat(below.items().get(0).baseDose()).isNotEqualTo(own);
        StrandItems there = made(question(w, place("DC5", null, own, 1), place("DC4", null, own, 1)), Strand.DEEP_CORE);
        assertThat(rungs(there)).containsExactly("DC5");
        assertThat(there.items().get(0).baseDose()).isEqualTo(own);
        assertThat(there.items().get(0).why()).isEqualTo(Reason.of("why.carryOver"));
        StrandItems control = made(w.question(), Strand.PELVIC_CONTROL);
        assertThat(control.items()).as("has no upper rung").isEmpty();
        assertThat(control.notOpen().get(0).waiting())
                .containsExactly(new Waiting.NoneChosen(Reason.of("leftOut.settled")));
    }

    @Test
    void an_upper_rung_that_waits_is_told_as_waiting_and_not_replaced_by_a_lower_one() {
        Woman held = never_pregnant().strong().grade(3, 3).trained("HK7", 3);
        Plan.Question q = held.question();
        assertThat(new Foundations(q).settled()).contains(Strand.DEEP_CORE);
        StrandItems made = made(q, Strand.DEEP_CORE);
        assertThat(made.items()).isEmpty();
        assertThat(made.notOpen()).hasSize(1);
        assertThat(made.notOpen().get(0).rung().code()).isEqualTo("DC4");
        assertThat(made.notOpen().get(0).waiting()).extracting(Waiting::code).contains("SET_GRADE");
    }

    @Test
    void in_a_closed_position_the_same_rung_elsewhere_keeps_her_dose_and_another_rung_begins_anew() {
        Woman inclined = never_pregnant().strong().may_not(Restriction.SUPINE_INCLINED);
        StrandItems same = made(
                question(inclined, place("F2", Side.LEFT, FOUR, 0.6), place("F2", Side.RIGHT, FOUR, 0.6)),
                Strand.LEG_FLOAT);
        PlanItem wedge = same.items().get(0);
        assertThat(wedge.standInKind()).isEqualTo(StandIns.Kind.SAME_INCLINED);
        assertThat(wedge.standInFor()).isEqualTo(CATALOGUE.rung("F2"));
        assertThat(wedge.baseDose()).isEqualTo(FOUR);
        assertThat(wedge.why()).isEqualTo(Reason.of("why.progress"));
        Woman notFaceDown = never_pregnant().strong().may_not(Restriction.NO_PRONE);
        StrandItems other = made(question(notFaceDown, place("BK6", null, FOUR, 0.6)), Strand.BACK_LINE);
        PlanItem stands = other.items().get(0);
        assertThat(stands.standInKind()).isEqualTo(StandIns.Kind.OTHER_RUNG);
        assertThat(stands.rung().code()).isEqualTo("BK1");
        assertThat(stands.standInFor()).isEqualTo(CATALOGUE.rung("BK6"));
        assertThat(stands.strand()).isEqualTo(Strand.BACK_LINE);
        assertThat(stands.baseDose()).isNotEqualTo(FOUR);
    }

    @Test
    void why_not_the_next_rung_is_what_it_waits_for_or_that_the_dose_comes_first() {
        Woman w = never_pregnant().strong().floats(2, 2);
        Plan.Question q = question(
                w, place("F2", Side.LEFT, FOUR, 0.6), place("F2", Side.RIGHT, FOUR, 0.6), place("DC5", null, FOUR, 1));
        Reason f3 = Reason.of("rung.name", CATALOGUE.rung("F3").name(), "F3");
        // of F3 nothing is closed but that F2 itself is not done
        assertThat(made(q, Strand.LEG_FLOAT).items().get(0).whyNotNext()).isEqualTo(Reason.of("whyNot.doseFirst", f3));
        assertThat(made(q, Strand.DEEP_CORE).items().get(0).whyNotNext()).isEqualTo(Reason.of("whyNot.top"));
        Woman ridge = never_pregnant().strong().floats(2, 2).ridge(Observed.Doming.FIRM);
        assertThat(made(ridge.question(), Strand.LEG_FLOAT).items().get(0).whyNotNext())
                .isEqualTo(Reason.of("whyNot.waiting", f3, Reason.of("waiting.firmRidge")));
        Woman early = weeks_after_birth(9).cleared().strong().floats(5, 5).trained("F7", 2);
        assertThat(made(early.question(), Strand.LEG_FLOAT)
                        .items()
                        .get(0)
                        .whyNotNext()
                        .key())
                .isEqualTo("whyNot.waiting");
    }

    @Test
    void a_dose_below_the_window_says_so_only_where_it_begins_here() {
        Woman short_ = weeks_after_birth(12).cleared().grade(3, 3).breaths(5).holds(3, 3);
        Rung dc3 = CATALOGUE.rung("DC3");
        Woman scoop = weeks_after_birth(12)
                .cleared()
                .grade(3, 3)
                .breaths(5)
                .holds(3, 3)
                .scoop(Observed.Scoop.NO);
        PlanItem begins = made(scoop.question(), Strand.DEEP_CORE).items().get(0);
        assertThat(begins.rung()).isEqualTo(dc3);
        assertThat(begins.opened()).isEqualTo(Reason.of("dose.openedHold", 3, 5));
        Dose own = new Dose(2, 5, 3, null, 1, 3);
        assertThat(made(question(scoop, place("DC3", null, own, 1)), Strand.DEEP_CORE)
                        .items()
                        .get(0)
                        .opened())
                .isNull();
        Woman byHand = scoop.chosen(new Choice(Strand.DEEP_CORE, null, null, own, null, false, false));
        assertThat(made(byHand.question(), Strand.DEEP_CORE).items().get(0).opened())
                .isNull();
        assertThat(made(short_.question(), Strand.DEEP_CORE).items().get(0).opened())
                .isNull();
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void ribs_that_stand_up_rest_on_a_support_wherever_she_lies_on_her_back(boolean flare) {
        Woman w = never_pregnant().strong();
        if (flare) {
            w.ribs_flare();
        }
        Plan.Question q = w.question();
        int lying = 0;
        for (Strand strand : Strand.values()) {
            for (PlanItem item : made(q, strand).items()) {
                boolean onBack = item.ground() == PlanItem.Ground.BACK;
                lying += onBack ? 1 : 0;
                assertThat(item.support())
                        .as(item.rung().code())
                        .isEqualTo(onBack && flare ? Helper.HEAD_SHOULDERS : null);
            }
        }
        assertThat(lying).isPositive();
    }

    @Test
    void both_sides_led_down_to_a_rung_without_sides_do_the_lower_once() {
        Woman w = never_pregnant().strong().scoop(Observed.Scoop.NO);
        Plan.Question q = question(w, place("HK4", Side.LEFT, FOUR, 0.6), place("HK5", Side.RIGHT, FOUR, 0.6));
        StrandItems made = made(q, Strand.HANDS_KNEES);
        assertThat(made.items()).hasSize(1);
        PlanItem once = made.items().get(0);
        assertThat(once.side()).isNull();
        assertThat(Set.of("HK1", "HK2")).contains(once.rung().code());
        assertThat(once.dose()).isEqualTo(once.baseDose());
    }
}
