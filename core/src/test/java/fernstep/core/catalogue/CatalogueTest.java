package fernstep.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Stances.EffortTiming;
import fernstep.core.screening.Strand;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

class CatalogueTest {
    private static final Catalogue SHIPPED = ShippedCatalogue.CATALOGUE;

    @Nested
    class The_shipped_files {
        @Test
        void hold_the_rungs_of_the_three_strands_in_order() {
            assertThat(SHIPPED.strand(Strand.LEG_FLOAT))
                    .hasValueSatisfying(s -> assertThat(s.rungs())
                            .extracting(Rung::code)
                            .containsExactly("F1", "F2", "F3", "F4", "F5", "F6", "F7", "F8", "F9"));
        }

        @Test
        void step_back_one_rung_or_to_where_a_branch_began() {
            assertThat(SHIPPED.previous(SHIPPED.rung("F4"))).map(Rung::code).hasValue("F3");
            assertThat(SHIPPED.previous(SHIPPED.rung("F9"))).map(Rung::code).hasValue("F3");
            assertThat(SHIPPED.previous(SHIPPED.rung("F1"))).isEmpty();
            assertThat(SHIPPED.next(SHIPPED.rung("F8"))).isEmpty();
        }

        @Test
        void load_less_at_their_easiest_than_at_full_range() {
            var body = fernstep.core.body.Body.of(70.0, 170.0);
            assertThat(SHIPPED.rungs())
                    .filteredOn(r -> r.poses() != null)
                    .allSatisfy(r -> assertThat(r.legsAt(0).orElseThrow().loadIndex(body))
                            .as(r.code())
                            .isLessThan(r.legsAt(1).orElseThrow().loadIndex(body)));
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
            assertThat(problem("position: SEATED", "position: FLOATING"))
                    .startsWith("deep-core.yaml, line " + lineOf("position: SEATED")
                            + ": 'position' was FLOATING; it must be one of SUPINE");
        }

        @Test
        void a_field_nobody_knows() {
            assertThat(problem("position: SIDE", "position: SIDE\n    colour: red"))
                    .contains("unknown field 'colour'");
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
                            "levers: [SHORTEN_HOLD, FEWER_REPS, ADD_HELPER, SUPPORT",
                            "levers: [RAISE_RANGE, ADD_HELPER, SUPPORT"))
                    .contains("DC1 offers a range lever but has no range");
        }

        @Test
        void text_that_is_not_yaml() {
            assertThatThrownBy(() -> Catalogue.read(Map.of("x.yaml", "strand: [BREATH\nname: b")))
                    .isInstanceOf(CatalogueProblem.class)
                    .hasMessageStartingWith("x.yaml, line 2: not readable");
        }
    }
}
