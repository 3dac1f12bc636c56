package fernstep.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Stances;
import fernstep.core.approach.Stances.EffortTiming;
import fernstep.core.body.Body;
import fernstep.core.body.Position;
import fernstep.core.body.RangeSolver;
import fernstep.core.body.Skeleton;
import fernstep.core.body.TrunkLoad;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

class CatalogueTest {
    private static final Catalogue SHIPPED = ShippedCatalogue.CATALOGUE;

    @Nested
    class The_shipped_files {
        /** Written out from the exercise table: codes in order, strand by strand; ★ = trained left and right apart. */
        private static final Map<Strand, String> TABLE = Map.ofEntries(
                Map.entry(Strand.BREATH, "BR1 BR2 BR3 BR4 BR5★"),
                Map.entry(Strand.DEEP_CORE, "DC1 DC2 DC3 DC4 DC5"),
                Map.entry(Strand.PELVIC_FLOOR, "PF1 PF2 PF3 PF4"),
                Map.entry(Strand.PELVIC_CONTROL, "PC1 PC2 PC3 PC4 PC5★ PC6"),
                Map.entry(Strand.LEG_FLOAT, "F1★ F2★ F3★ F4★ F5★ F6★ F7★ F8 F9★"),
                Map.entry(Strand.HEEL_SLIDE, "HS1★ HS2★ HS3"),
                Map.entry(Strand.ARM_LEG, "AL1 AL2 AL3 AL4★ AL5★"),
                Map.entry(Strand.ROTATION, "RO1★ RO2★ RO3★ RO4★"),
                Map.entry(Strand.BRIDGE, "BG1 BG2★"),
                Map.entry(Strand.HANDS_KNEES, "HK1 HK2 HK3 HK4★ HK5★ HK6★ HK7★ HK8★ HK9★ WT1 WT2★ WT3★ WT4★"),
                Map.entry(Strand.HOVER_PLANK, "HP1 HP2 HP3 HP4 WT5"),
                Map.entry(Strand.SIDE_SUPPORT, "SS1★ SS2★ SS3★ SS4★ SS5★"),
                Map.entry(Strand.BACK_LINE, "BK1 BK2 BK3 BK4 BK5 BK6 BK7★ BK8★"),
                Map.entry(Strand.UPRIGHT, "UP1 UP2 UP3 UP7 UP4★ UP5★ UP6★ UP8★"),
                Map.entry(Strand.CURL, "CU1 CU2 CU3"),
                Map.entry(Strand.IMPACT, "IM1 IM2★ IM3★ IM4 IM5★ IM6★ IM7"));

        @ParameterizedTest
        @EnumSource(Strand.class)
        void hold_every_rung_of_the_table_in_order_with_its_sides(Strand strand) {
            String shipped = SHIPPED.strand(strand).orElseThrow().rungs().stream()
                    .map(rung -> rung.code() + (rung.perSide() ? "★" : ""))
                    .collect(Collectors.joining(" "));
            assertThat(shipped).isEqualTo(TABLE.get(strand));
        }

        /** Windows typed from the table: sets, reps, seconds, breaths. */
        @ParameterizedTest
        @CsvSource({
            "BR1, 1-3, , , 5-20",
            "BR4, 1-3, , 30-120, ",
            "BR5, 1-3, , , 4-10",
            "DC1, 1-3, 5-10, 3-5, ",
            "DC2, 1-3, 5-10, 3-10, ",
            "PF2, 1-3, 5-10, 10-20, ",
            "PF3, 1-3, 10-20, 1-1, ",
            "PC2, 1-3, 3-10, 3-10, ",
            "F2, 1-3, 10-20, , ",
            "F8, 1-3, 6-10, , ",
            "HS1, 1-3, 7-15, , ",
            "AL1, 2-3, , , 4-6",
            "AL4, 1-3, 10-20, , ",
            "RO2, 1-3, 6-12, , ",
            "BG1, 1-3, 10-20, 4-10, ",
            "HK2, 2-3, , , 6-6",
            "HK7, 1-3, 10-20, 3-5, ",
            "HP1, 1-3, 4-8, 1-5, ",
            "HP4, 1-3, 3-5, 10-30, ",
            "SS1, 1-3, , 20-30, ",
            "SS4, 1-3, , 15-30, ",
            "BK8, 1-3, 8-16, , ",
            "UP6, 1-3, , 20-40, ",
            "UP8, 1-3, 10-25, , ",
            "CU3, 1-3, 8-12, , "
        })
        void keep_the_windows_of_the_table(String code, String sets, String reps, String holdS, String breaths) {
            Window w = SHIPPED.rung(code).window();
            assertThat(span(w.sets())).isEqualTo(sets);
            assertThat(span(w.reps())).isEqualTo(reps);
            assertThat(span(w.holdS())).isEqualTo(holdS);
            assertThat(span(w.breaths())).isEqualTo(breaths);
        }

        private static String span(Span span) {
            return span == null ? null : span.min() + "-" + span.max();
        }

        @ParameterizedTest
        @CsvSource({
            "BR3, SetGrade[atLeast=3]",
            "DC4, SetGrade[atLeast=4]",
            "F1, Opened[code=FIRST_LOADED]",
            "F4, 'CleanRung[rung=F3, bothSides=true]'",
            "PC5, AnySide[rung=F3]",
            "F8, Opened[code=LONG_LEVER]",
            "F8, NotPregnant[]",
            "AL4, Opened[code=OPPOSITE_LIMBS]",
            "AL4, 'CleanRung[rung=F5, bothSides=false]'",
            "HK7, 'CleanRung[rung=HK5, bothSides=false]'",
            "HK7, Opened[code=OPPOSITE_LIMBS]",
            "HK8, 'TopHeldWeeks[rung=HK7, weeks=4]'",
            "HK8, NotPregnant[]",
            "HP1, Scoop[]",
            "HP3, PregnantToWeek[week=20]",
            "HP4, CleanWeeks[weeks=8]",
            "SS5, CleanWeeks[weeks=8]",
            "BK6, NotPregnant[]",
            "UP3, Opened[code=FIRST_LOADED]",
            "UP4, 'CleanRung[rung=UP3, bothSides=false]'",
            "UP6, 'CleanRung[rung=UP3, bothSides=false]'",
            "UP7, 'CleanRung[rung=UP3, bothSides=false]'",
            "UP8, Opened[code=FIRST_LOADED]",
            "CU1, FirmMidline[]",
            "CU2, 'CleanRung[rung=HP2, bothSides=false]'",
            "BG2, 'CleanRung[rung=F3, bothSides=false]'"
        })
        void wait_for_the_gates_of_the_table(String code, String gate) {
            assertThat(SHIPPED.rung(code).gates()).extracting(Object::toString).contains(gate);
        }

        @Test
        void step_back_one_rung_or_to_where_a_branch_began() {
            assertThat(SHIPPED.previous(SHIPPED.rung("F4"))).map(Rung::code).hasValue("F3");
            assertThat(SHIPPED.previous(SHIPPED.rung("F9"))).map(Rung::code).hasValue("F3");
            assertThat(SHIPPED.previous(SHIPPED.rung("F1"))).isEmpty();
            assertThat(SHIPPED.next(SHIPPED.rung("F8"))).isEmpty();
            assertThat(SHIPPED.previous(SHIPPED.rung("HK9"))).map(Rung::code).hasValue("HK5");
        }

        static Stream<Rung> rising() {
            return rungs().filter(rung -> rung.family() != null && rung.hasRange());
        }

        static Stream<Rung> rungs() {
            return SHIPPED.rungs().stream();
        }

        @ParameterizedTest
        @MethodSource("rungs")
        void say_how_in_plain_words_with_a_cue_for_every_activation_and_a_caution(Rung rung) {
            assertThat(rung.howTo()).hasSizeBetween(20, 170);
            assertThat(rung.caution()).hasSizeBetween(10, 120);
            assertThat(rung.cues()).containsKeys("DRAW_IN_LIGHT", "FLOOR_FIRST", "BRACE_ALL_ROUND");
            assertThat(rung.watch()).isNotEmpty();
            assertThat(rung.levers()).isNotEmpty();
        }

        static Stream<Body> bodies() {
            return Stream.of(45.0, 68.0, 110.0)
                    .flatMap(kg -> Stream.of(150.0, 165.0, 185.0).map(cm -> Body.of(kg, cm)))
                    .flatMap(body -> Stream.of(0, 20, 30, 40).map(week -> body.pregnant(week)));
        }

        /** The heart of a range: further is heavier for every body, by at least 15 % from end to end. */
        @ParameterizedTest
        @MethodSource("rising")
        void load_more_the_further_they_go(Rung rung) {
            bodies().forEach(body -> {
                double before = 0;
                for (int i = 0; i <= 10; i++) {
                    double index = rung.indexAt(i / 10.0, body);
                    assertThat(index)
                            .as("%s at %d of 10, %s", rung.code(), i, body)
                            .isGreaterThanOrEqualTo(before * (1 - 1e-6));
                    before = index;
                }
                assertThat(before / rung.indexAt(0, body))
                        .as("%s, %s", rung.code(), body)
                        .isGreaterThan(1.145);
            });
        }

        /** What is said beside the mat belongs to this exercise and to no other. */
        @Test
        void have_cues_of_their_own_for_every_way_of_engaging() {
            Map<String, String> said = new LinkedHashMap<>();
            rungs().forEach(rung -> {
                for (Stances.Activation activation : Stances.Activation.values()) {
                    String cue = rung.cues().get(activation.name());
                    assertThat(cue).as(rung.code() + " " + activation).contains(". Feel ");
                    String before = said.put(cue, rung.code());
                    assertThat(before)
                            .as("%s is said of %s too", cue, rung.code())
                            .isNull();
                }
            });
        }

        /** Nothing on the way is heavier than what is said of the rung: looked at two hundred times. */
        @ParameterizedTest
        @MethodSource("loading")
        void tell_the_greatest_load_on_the_way(Rung rung) {
            Body body = Body.of(68.0, 165.0);
            for (double range : new double[] {0, 0.5, 1}) {
                double most = 0;
                for (int i = 1; i <= 200; i++) {
                    most = Math.max(
                            most,
                            TrunkLoad.of(body, rung.movement().during(range, i / 200.0))
                                    .loadIndex());
                }
                assertThat(rung.indexAt(range, body)).as(rung.code()).isGreaterThanOrEqualTo(0.97 * most);
            }
        }

        static Stream<Rung> loading() {
            return rungs().filter(rung -> rung.family() != null);
        }

        @Test
        void answer_with_a_range_for_a_ceiling() {
            // 90 % of what F7 asks at its full range
            Rung f7 = SHIPPED.rung("F7");
            Body body = Body.of(70.0, 170.0);
            double ceiling = 0.9 * f7.loadAt(1, body).orElseThrow().loadIndex();
            assertThat(RangeSolver.solve(f7.movement(), body, ceiling))
                    .isInstanceOfSatisfying(
                            RangeSolver.Answer.Reached.class,
                            reached -> assertThat(reached.point().load().loadIndex())
                                    .isLessThanOrEqualTo(ceiling)
                                    .isCloseTo(ceiling, within(0.1)));
        }

        private static final double ON_THE_FLOOR_M = 0.005;

        /** Every rung's figure, from its start to its easiest and its full end, on three bodies. */
        @ParameterizedTest
        @MethodSource("rungs")
        void draw_bodies_that_stand_on_what_bears_and_sink_nowhere(Rung rung) {
            for (Body body : List.of(Body.of(68.0, 165.0), Body.of(50.0, 150.0), Body.of(95.0, 188.0))) {
                for (double range : new double[] {0, 0.5, 1}) {
                    for (double share : new double[] {0, 0.25, 0.5, 0.75, 1}) {
                        Skeleton s = Skeleton.of(body, rung.movement().during(range, share));
                        standsOnItsContacts(rung, body, s);
                        sinksNowhere(rung, body, s);
                    }
                }
            }
        }

        private void standsOnItsContacts(Rung rung, Body body, Skeleton skeleton) {
            double h = body.heightM();
            for (Side side : Side.values()) {
                boolean upperOfTwo = skeleton.pose().position() == Position.SIDE
                        && side != skeleton.pose().lower();
                double legRestsM = 0.039 * h;
                Skeleton.Leg leg = skeleton.leg(side);
                switch (skeleton.pose().leg(side).on()) {
                    case FOOT, HEEL -> {
                        if (!upperOfTwo) {
                            assertThat(leg.ankle().y())
                                    .as(rung.code() + " ankle")
                                    .isCloseTo(legRestsM, within(ON_THE_FLOOR_M));
                        }
                    }
                    case TOES ->
                        assertThat(leg.toe().y()).as(rung.code() + " toe").isCloseTo(0, within(ON_THE_FLOOR_M));
                    case KNEE ->
                        assertThat(leg.knee().y())
                                .as(rung.code() + " knee")
                                .isCloseTo(legRestsM, within(ON_THE_FLOOR_M));
                    case NONE, WALL -> {}
                }
                Skeleton.Arm arm = skeleton.arm(side);
                switch (skeleton.pose().arm(side).on()) {
                    case HAND ->
                        assertThat(arm.wrist().y())
                                .as(rung.code() + " wrist")
                                .isCloseTo(
                                        (0.02 + skeleton.pose().arm(side).surfaceShare()) * h, within(ON_THE_FLOOR_M));
                    case FOREARM ->
                        assertThat(arm.elbow().y())
                                .as(rung.code() + " elbow")
                                .isCloseTo(
                                        (0.025 + skeleton.pose().arm(side).surfaceShare()) * h, within(ON_THE_FLOOR_M));
                    case NONE, WALL -> {}
                }
            }
        }

        private void sinksNowhere(Rung rung, Body body, Skeleton skeleton) {
            Map<String, Double> heights = new LinkedHashMap<>();
            heights.put("hip", skeleton.hip().y());
            heights.put("shoulder", skeleton.shoulder().y());
            heights.put("head", skeleton.head().y() - 0.055 * body.heightM());
            for (Side side : Side.values()) {
                Skeleton.Leg leg = skeleton.leg(side);
                Skeleton.Arm arm = skeleton.arm(side);
                heights.put(side + " knee", leg.knee().y());
                heights.put(side + " ankle", leg.ankle().y());
                heights.put(side + " heel", leg.heel().y());
                heights.put(side + " toe", leg.toe().y());
                heights.put(side + " elbow", arm.elbow().y());
                heights.put(side + " wrist", arm.wrist().y());
                heights.put(side + " fingertip", arm.fingertip().y());
            }
            assertThat(heights)
                    .as(rung.code())
                    .allSatisfy((joint, value) -> assertThat(value).as(joint).isGreaterThanOrEqualTo(-ON_THE_FLOOR_M));
        }

        @Test
        void pace_the_breath_by_the_effort_timing() {
            Rung f2 = SHIPPED.rung("F2");
            assertThat(Pacer.phases(f2, EffortTiming.EXHALE_EVERY_MOVE, null))
                    .extracting(Pacer.Phase::breath)
                    .containsExactly(Pacer.Breath.OUT, Pacer.Breath.OUT, Pacer.Breath.IN);
            assertThat(Pacer.phases(f2, EffortTiming.EXHALE_EFFORT_ONLY, 5))
                    .extracting(Pacer.Phase::breath)
                    .containsExactly(Pacer.Breath.OUT, Pacer.Breath.RUNS_ON, Pacer.Breath.IN, Pacer.Breath.RUNS_ON);
        }
    }

    @Nested
    class A_wrong_file_names_file_line_and_reason {
        private String problem(String broken, String replacement) {
            Map<String, String> texts = new LinkedHashMap<>(ShippedCatalogue.texts());
            String text = texts.get("deep-core.yaml");
            assertThat(text).contains(broken);
            texts.put("deep-core.yaml", text.replace(broken, replacement));
            try {
                Catalogue.read(texts);
            } catch (CatalogueProblem e) {
                return e.getMessage();
            }
            return "was accepted";
        }

        private int lineOf(String text) {
            return ShippedCatalogue.texts()
                    .get("deep-core.yaml")
                    .substring(0, ShippedCatalogue.texts().get("deep-core.yaml").indexOf(text))
                    .split("\n", -1)
                    .length;
        }

        @Test
        void an_unknown_code() {
            assertThat(problem("aim: DEEP_CORE_SET", "aim: FLOATING"))
                    .startsWith("deep-core.yaml, line " + lineOf("aim: DEEP_CORE_SET")
                            + ": 'aim' was FLOATING; it must be one of BREATH");
        }

        @Test
        void a_field_nobody_knows() {
            assertThat(problem("props: [CHAIR]", "props: [CHAIR]\n    colour: red"))
                    .contains("unknown field 'colour'");
        }

        @Test
        void a_rung_that_plans_need_by_name() {
            assertThat(problem("means: [ON_A_BED, SET_FIRST]", "means: []"))
                    .isEqualTo("deep-core.yaml, line 1: one rung of DEEP_CORE must mean SET_FIRST, none does");
            assertThat(problem("means: [ON_A_BED, SET_FIRST]", "means: [SET_FIRST, SET_BY_SCOOP]"))
                    .isEqualTo("deep-core.yaml, line 1: one rung of DEEP_CORE must mean SET_BY_SCOOP, DC1, DC3 do");
        }

        @Test
        void a_window_that_runs_backward() {
            assertThat(problem("reps: [5, 10], holdS: [3, 5]", "reps: [10, 5], holdS: [3, 5]"))
                    .contains("'reps' needs two numbers, the smaller first");
        }

        @Test
        void a_gate_on_a_rung_that_does_not_exist() {
            assertThat(problem("- rung: DC4", "- rung: DC9"))
                    .isEqualTo("deep-core.yaml, line " + lineOf("- code: DC5") + ": DC5 waits for an unknown rung DC9");
        }

        @Test
        void a_rung_that_stands_twice() {
            assertThat(problem("code: DC2", "code: DC1")).contains("rung DC1 stands twice");
        }

        @Test
        void a_lever_without_what_it_moves() {
            assertThat(problem(
                            "levers: [SHORTEN_HOLD, FEWER_REPS, ADD_HELPER, SUPPORT, CHANGE_BREATH]",
                            "levers: [RAISE_RANGE, ADD_HELPER, SUPPORT]"))
                    .contains("DC1 offers a range lever but has no range");
        }

        @Test
        void a_posture_nobody_knows() {
            assertThat(problem("full: SITTING", "full: SQUATTING"))
                    .isEqualTo("deep-core.yaml, line " + lineOf("full: SITTING") + ": no posture SQUATTING; known are "
                            + POSTURES);
        }

        private static final String POSTURES =
                "CROOK, LONG, TABLETOP, FEET_ON_WALL, SIDE_LYING, FACE_DOWN, ON_HANDS_AND_KNEES, HOVERING,"
                        + " ON_FOREARMS_AND_KNEES, PLANK, SHORT_SIDE_REST, SHORT_SIDE, LONG_SIDE, TALL_KNEELING, SITTING,"
                        + " STANDING, AT_THE_WALL, AT_THE_DOOR, AT_A_TABLE, UPRIGHT_AT_A_TABLE";

        @Test
        void a_joint_that_cannot_bend_so_far() {
            assertThat(problem("{shoulder: 30, elbow: 100}", "{shoulder: 30, elbow: 190}"))
                    .endsWith("elbow was 190.0 deg, from 0 to 150 deg");
        }

        @Test
        void a_body_that_nothing_holds_up() {
            assertThat(problem(
                            "full: SIDE_LYING", "full: {from: ON_HANDS_AND_KNEES, legs: {on: NONE}, arms: {on: NONE}}"))
                    .endsWith("nothing holds the body up, name what bears on the floor");
        }

        @Test
        void text_that_is_not_yaml() {
            assertThatThrownBy(() -> Catalogue.read(Map.of(
                            Catalogue.POSTURES,
                            ShippedCatalogue.texts().get(Catalogue.POSTURES),
                            "x.yaml",
                            "strand: [BREATH\nname: b")))
                    .isInstanceOf(CatalogueProblem.class)
                    .hasMessageStartingWith("x.yaml, line 2: not readable");
        }
    }
}
