package fernstep.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.body.Position;
import fernstep.core.client.Clearance;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Each answer with which she goes on with changes changes something, and the plan says what. */
class AdaptationsTest {
    /** Single-leg work, as a therapist would name it. */
    private static final Set<String> ON_ONE_LEG = Set.of(
            "F2", "F3", "F4", "F5", "F6", "F7", "F8", "F9", "HS1", "HS2", "AL4", "AL5", "RO3", "RO4", "BG2", "HK5",
            "HK6", "HK7", "HK8", "HK9", "UP4", "UP5");

    private static final Set<String> LONG_LEVERS = Set.of("F7", "F8", "HP4", "BK6", "BK7", "BK8", "CU1", "CU2", "CU3");

    /** Who has come far: so much is open that every answer has something to change. */
    private static Woman far(Approach approach, boolean pregnant, Answer... told) {
        Woman woman = pregnant ? Woman.pregnant(24) : Woman.weeks_after_birth(52);
        return woman.cleared(Clearance.Scope.FULL)
                .strong()
                .by(approach)
                .minutes(60)
                .at_most(10)
                .at("F5", 0.9)
                .at("HS2", 0.8)
                .at("AL4")
                .at("RO2")
                .at("BG2")
                .at("HK5")
                .at("BK6")
                .at("UP4")
                .says(told);
    }

    static Stream<Arguments> everybody() {
        return Stream.of(Approach.values())
                .flatMap(approach -> Stream.of(Arguments.of(approach, false), Arguments.of(approach, true)));
    }

    private static Plan plan(Woman woman) {
        return Plan.of(woman.question());
    }

    private static List<String> rungs(Plan plan) {
        return plan.items().stream().map(item -> item.rung().code()).toList();
    }

    /** Reasons of everything in the plan and of what is left out of it, nested ones as well. */
    private static List<String> reasons(Plan plan) {
        List<String> keys = new ArrayList<>();
        plan.items().forEach(item -> add(keys, item.why()));
        plan.leftOut().forEach(left -> left.items().forEach(item -> add(keys, item.why())));
        plan.notOpen().forEach(closed -> closed.waiting().forEach(waiting -> add(keys, waiting.reason())));
        return keys;
    }

    private static void add(List<String> keys, Reason reason) {
        keys.add(reason.key());
        reason.facts().stream()
                .filter(Reason.class::isInstance)
                .map(Reason.class::cast)
                .forEach(inner -> add(keys, inner));
    }

    private static List<String> shown(Plan plan) {
        return plan.items().stream()
                .map(item -> item.rung().code()
                        + item.side()
                        + item.dose()
                        + item.range()
                        + item.support()
                        + item.why().key())
                .toList();
    }

    @ParameterizedTest
    @MethodSource("everybody")
    void girdle_pain_leaves_nothing_on_one_leg_and_names_it(Approach approach, boolean pregnant) {
        Plan without = plan(far(approach, pregnant));
        Plan with = plan(far(approach, pregnant, Answer.GIRDLE_PAIN));
        assertThat(rungs(without)).as("the case asks something").anyMatch(ON_ONE_LEG::contains);
        assertThat(rungs(with)).doesNotContainAnyElementsOf(ON_ONE_LEG);
        assertThat(reasons(with)).contains("adapted.girdleOneLeg");
        with.items().stream()
                .filter(item -> item.rung().strand() == Strand.ROTATION)
                .forEach(item -> assertThat(item.range()).as(item.rung().code()).isLessThanOrEqualTo(0.33));
        assertThat(sentences(Answer.GIRDLE_PAIN, approach, pregnant)).contains("adapt.GIRDLE_PAIN");
    }

    @ParameterizedTest
    @MethodSource("everybody")
    void back_pain_leaves_no_long_lever_and_no_more_than_sixty_percent(Approach approach, boolean pregnant) {
        Plan with = plan(far(approach, pregnant, Answer.BACK_PAIN));
        assertThat(rungs(with)).doesNotContainAnyElementsOf(LONG_LEVERS);
        assertThat(with.items())
                .filteredOn(item -> item.rung().loaded() && item.rung().hasRange())
                .allSatisfy(
                        item -> assertThat(item.range()).as(item.rung().code()).isLessThanOrEqualTo(0.6));
        assertThat(shown(with)).isNotEqualTo(shown(plan(far(approach, pregnant))));
        assertThat(reasons(with)).containsAnyOf("adapted.backRange", "adapted.backLever", "need.backPain");
    }

    @ParameterizedTest
    @MethodSource("everybody")
    void a_tender_scar_leaves_nothing_face_down_and_no_curl(Approach approach, boolean pregnant) {
        Plan with = plan(far(approach, pregnant, Answer.SCAR_TENDER));
        assertThat(with.items()).noneMatch(item -> item.position() == Position.PRONE);
        assertThat(with.items()).noneMatch(item -> item.rung().strand() == Strand.CURL);
        assertThat(shown(with)).isNotEqualTo(shown(plan(far(approach, pregnant))));
        assertThat(sentences(Answer.SCAR_TENDER, approach, pregnant)).contains("adapt.SCAR_TENDER");
    }

    @ParameterizedTest
    @MethodSource("everybody")
    void very_tired_is_three_exercises_of_one_set(Approach approach, boolean pregnant) {
        Plan without = plan(far(approach, pregnant));
        Plan with = plan(far(approach, pregnant, Answer.TIRED));
        assertThat(with.days().stream().map(day -> Plan.size(day.items()))).allMatch(size -> size <= 3);
        assertThat(with.items())
                .allSatisfy(item -> assertThat(item.dose().sets()).isEqualTo(1));
        assertThat(shown(with)).isNotEqualTo(shown(without));
    }

    @ParameterizedTest
    @MethodSource("everybody")
    void leaking_with_effort_breathes_out_before_every_effort(Approach approach, boolean pregnant) {
        Plan with = plan(far(approach, pregnant, Answer.LEAK_EFFORT));
        assertThat(with.items())
                .filteredOn(item -> item.rung().loaded())
                .isNotEmpty()
                .allSatisfy(item -> {
                    List<String> keys = new ArrayList<>();
                    add(keys, item.why());
                    assertThat(keys).as(item.rung().code()).contains("adapted.leakOutBreath");
                });
    }

    @ParameterizedTest
    @MethodSource("everybody")
    void sore_wrists_knees_and_breasts_close_their_positions(Approach approach, boolean pregnant) {
        for (Answer answer : EnumSet.of(Answer.WRIST_PAIN, Answer.KNEE_PAIN, Answer.BREAST_DISCOMFORT)) {
            Plan with = plan(far(approach, pregnant, answer));
            assertThat(with.items())
                    .as("%s", answer)
                    .allMatch(item -> item.rung()
                            .closedBy(Set.of(answer.closesToday().orElseThrow()))
                            .isEmpty());
            assertThat(sentences(answer, approach, pregnant)).contains("adapt." + answer);
        }
    }

    private static List<String> sentences(Answer answer, Approach approach, boolean pregnant) {
        return PlanWarnings.ofHer(far(approach, pregnant, answer).question().screening(), 0, Woman.TODAY).stream()
                .map(Reason::key)
                .toList();
    }

    @Nested
    class At_twenty_four_weeks {
        @Test
        void with_girdle_pain_nobody_gets_single_leg_lifts() {
            Plan plan = plan(Woman.pregnant(24)
                    .cleared()
                    .strong()
                    .floats(4, 4)
                    .minutes(30)
                    .says(Answer.GIRDLE_PAIN));
            assertThat(rungs(plan)).doesNotContainAnyElementsOf(ON_ONE_LEG);
            assertThat(plan.items()).isNotEmpty();
        }
    }

    @Nested
    class An_exercise {
        private final Body body = Body.of(null, null);
        private final PlanItem bridge = Items.item(
                ShippedCatalogue.CATALOGUE.rung("BG1"),
                null,
                Role.WORK,
                new Dose(2, 10, 4, null, 1, 3),
                1,
                null,
                60,
                40);

        @Test
        void on_both_legs_goes_with_a_squeeze() {
            PlanItem with = new Adaptations(Set.of(Answer.GIRDLE_PAIN)).on(bridge, body);
            assertThat(with.support()).isNotNull();
        }

        @Test
        void is_as_it_was_where_nothing_was_told() {
            assertThat(Adaptations.NONE.on(bridge, body)).isEqualTo(bridge);
        }
    }
}
