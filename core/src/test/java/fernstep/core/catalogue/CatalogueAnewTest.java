package fernstep.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import fernstep.core.ShippedCatalogue;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.yaml.snakeyaml.Yaml;

/** The files are read again for each test, and what they say is taken from them by another route as well: as plain maps. */
class CatalogueAnewTest {
    private final Map<String, String> texts = new LinkedHashMap<>(ShippedCatalogue.texts());

    private Catalogue read() {
        return Catalogue.read(texts);
    }

    private CatalogueProblem refused() {
        return Objects.requireNonNull(catchThrowableOfType(CatalogueProblem.class, this::read));
    }

    /** Changes one place of a file; the first where it stands several times. */
    private void change(String file, String from, String to) {
        String text = texts.get(file);
        assertThat(text).contains(from);
        int at = text.indexOf(from);
        texts.put(file, text.substring(0, at) + to + text.substring(at + from.length()));
    }

    @Nested
    class As_it_stands_in_the_files {
        static Stream<String> strandFiles() {
            return ShippedCatalogue.texts().keySet().stream().filter(text -> !text.equals(Catalogue.POSTURES));
        }

        @SuppressWarnings("unchecked")
        private static Map<String, Object> fields(Object thing) {
            return thing == null ? Map.of() : (Map<String, Object>) thing;
        }

        @SuppressWarnings("unchecked")
        private static List<Object> items(Object thing) {
            return thing == null ? List.of() : (List<Object>) thing;
        }

        private static Object own(Map<String, Object> rung, Map<String, Object> usual, String field) {
            return rung.containsKey(field) ? rung.get(field) : usual.get(field);
        }

        private static List<String> names(List<? extends Enum<?>> codes) {
            return codes.stream().map(Enum::name).toList();
        }

        private static Object span(Span span) {
            return span == null ? null : List.of(span.min(), span.max());
        }

        @ParameterizedTest
        @MethodSource("strandFiles")
        void every_field_of_every_rung_is_what_the_file_says(String file) {
            Map<String, Object> strand = fields(new Yaml().load(texts.get(file)));
            Map<String, Object> usual = fields(strand.get("usual"));
            CatalogueStrand shipped =
                    read().strand(Strand.valueOf((String) strand.get("strand"))).orElseThrow();
            assertThat(shipped.name()).isEqualTo(strand.get("name"));
            int order = 0;
            for (Object each : items(strand.get("rungs"))) {
                Map<String, Object> said = fields(each);
                Rung rung = shipped.rungs().get(order++);
                assertThat(rung.order()).isEqualTo(order);
                assertThat(List.of(rung.code(), rung.name(), rung.howTo(), rung.caution()))
                        .isEqualTo(Stream.of("code", "name", "howTo", "caution")
                                .map(said::get)
                                .toList());
                assertThat(rung.strand()).isEqualTo(shipped.code());
                assertThat(rung.aim().name()).isEqualTo(own(said, usual, "aim"));
                assertThat(rung.family() == null ? null : rung.family().name()).isEqualTo(own(said, usual, "family"));
                Map<String, Object> sight = fields(Objects.requireNonNullElse(own(said, usual, "sight"), Map.of()));
                assertThat(rung.sight().yawDeg()).isEqualTo(sight.get("yaw"));
                assertThat(rung.sight().pitchDeg()).isEqualTo(sight.get("pitch"));
                assertThat(rung.sight().hands().name()).isEqualTo(sight.getOrDefault("hands", "POSE"));
                for (String field : List.of("watch", "levers", "helpers", "shows")) {
                    List<String> read =
                            switch (field) {
                                case "watch" -> names(rung.watch());
                                case "levers" -> names(rung.levers());
                                case "helpers" -> names(rung.helpers());
                                default -> names(rung.shows());
                            };
                    assertThat(read).as(rung.code() + " " + field).isEqualTo(items(own(said, usual, field)));
                }
                assertThat(names(rung.props())).isEqualTo(items(said.get("props")));
                assertThat(names(rung.means())).isEqualTo(items(said.get("means")));
                assertThat(rung.standIns()).isEqualTo(items(said.get("standIns")));
                assertThat(rung.branchOf()).isEqualTo(said.get("branchOf"));
                assertThat(List.of(rung.perSide(), rung.loaded(), rung.fromDayOne()))
                        .isEqualTo(Stream.of("perSide", "loaded", "fromDayOne")
                                .map(text -> Boolean.TRUE.equals(said.get(text)))
                                .toList());
                assertThat(rung.easierPosition() != null).isEqualTo(said.containsKey("easier"));
                assertThat(rung.upright() != null).isEqualTo(said.containsKey("upright"));
                dose(rung, said, fields(own(said, usual, "tempo")));
                cues(rung, strand, said);
                gates(rung, items(said.get("gates")));
            }
            assertThat(shipped.rungs()).hasSize(order);
        }

        private static void dose(Rung rung, Map<String, Object> said, Map<String, Object> tempo) {
            Map<String, Object> window = fields(said.get("window"));
            assertThat(span(rung.window().sets())).isEqualTo(window.getOrDefault("sets", List.of(1, 3)));
            assertThat(span(rung.window().reps())).isEqualTo(window.get("reps"));
            assertThat(span(rung.window().holdS())).isEqualTo(window.get("holdS"));
            assertThat(span(rung.window().breaths())).isEqualTo(window.get("breaths"));
            assertThat(rung.tempo())
                    .isEqualTo(new Tempo((int) tempo.get("lift"), (int) tempo.get("return"), (int) tempo.get("rest")));
        }

        private static void cues(Rung rung, Map<String, Object> strand, Map<String, Object> said) {
            Map<String, Object> cues = new LinkedHashMap<>();
            for (Map<String, Object> of : List.of(strand, said)) {
                cues.putAll(fields(of.get("cues")));
                cues.putAll(fields(of.get("spineCues")));
            }
            assertThat(new LinkedHashMap<String, Object>(rung.cues())).isEqualTo(cues);
        }

        private static void gates(Rung rung, List<Object> said) {
            assertThat(rung.gates()).hasSameSizeAs(said);
            for (int i = 0; i < said.size(); i++) {
                Map<String, Object> gate = fields(said.get(i));
                Object other = gate.containsKey("rung") ? gate.get("rung") : gate.get("anySide");
                if (rung.gates().get(i) instanceof RungGate.EitherRung either) {
                    assertThat(List.of(either.rung(), either.or()))
                            .isEqualTo(List.of(gate.get("eitherRung"), gate.get("or")));
                }
                assertThat(rung.gates().get(i).rungAskedFor().orElse(null))
                        .as(rung.code() + " " + gate)
                        .isEqualTo(other);
                String kind = rung.gates().get(i).getClass().getSimpleName();
                String named = gate.keySet().stream()
                        .filter(text -> !text.equals("rung") || gate.size() == 1)
                        .filter(text -> !text.equals("bothSides") && !text.equals("or"))
                        .findFirst()
                        .orElse("rung");
                assertThat(kind).isEqualToIgnoringCase(named.equals("rung") ? "CleanRung" : named);
            }
        }

        @Test
        void the_postures_are_those_of_their_file_in_order() {
            Map<String, Object> said = fields(
                    fields(new Yaml().load(texts.get(Catalogue.POSTURES))).get("postures"));
            assertThat(new ArrayList<>(read().postures().keySet())).isEqualTo(new ArrayList<>(said.keySet()));
            assertThat(said).hasSize(20);
        }

        @Test
        void a_pose_keeps_what_its_posture_has_and_changes_what_it_says() {
            Rung f2 = read().rung("F2");
            var crook = read().postures().get("CROOK");
            assertThat(f2.movement().full().left().hipDeg()).isEqualTo(52);
            assertThat(f2.movement().full().left().kneeDeg()).isEqualTo(92);
            assertThat(f2.movement().full().right()).isEqualTo(crook.right());
            assertThat(f2.movement().full().leftArm()).isEqualTo(crook.leftArm());
            assertThat(f2.movement().full().trunk()).isEqualTo(crook.trunk());
        }
    }

    /** A field that nobody reads is a spelling mistake, wherever it stands; its line is named. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "deep-core.yaml | name: Deep-core engagement | name: Deep-core engagement¶colour: red",
                "deep-core.yaml | usual:¶ | usual:¶  colour: red¶",
                "deep-core.yaml | holdS: [3, 5]} | holdS: [3, 5], colour: red}",
                "deep-core.yaml | rest: 4} | rest: 4, colour: red}",
                "deep-core.yaml | - setGrade: 4 | - setGrade: 4¶        colour: red",
                "deep-core.yaml | full: SIDE_LYING | full: SIDE_LYING¶      colour: red",
                "deep-core.yaml | {from: CROOK, arms | {from: CROOK, colour: red, arms",
                "deep-core.yaml | {spine: -6} | {spine: -6, colour: red}",
                "deep-core.yaml | {shoulder: 2, elbow: 30} | {shoulder: 2, elbow: 30, colour: red}",
                "leg-float.yaml | {hip: 42, knee: 90, floor: 0.8} | {hip: 42, knee: 90, floor: 0.8, colour: red}",
                "deep-core.yaml | easier: {full: SIDE_LYING} | easier: {full: SIDE_LYING, colour: red}"
            })
    void a_field_nobody_knows_is_refused_wherever_it_stands(String file, String from, String to) {
        change(file, from.replace('¶', '\n'), to.replace('¶', '\n'));
        int line =
                texts.get(file).substring(0, texts.get(file).indexOf("colour")).split("\n", -1).length;
        CatalogueProblem problem = refused();
        assertThat(problem).hasMessage(file + ", line " + line + ": unknown field 'colour'");
        assertThat(problem.file()).isEqualTo(file);
        assertThat(problem.line()).isEqualTo(line);
    }

    @Nested
    class What_a_rung_must_keep_to {
        @Test
        void it_does_not_wait_for_itself() {
            change("deep-core.yaml", "- rung: DC4", "- rung: DC5");
            assertThat(refused()).hasMessageEndingWith("DC5 waits for itself");
        }

        @Test
        void not_even_by_way_of_others() {
            change("leg-float.yaml", "- opened: FIRST_LOADED", "- rung: F3");
            assertThat(refused()).hasMessageContaining("F1 waits for itself");
        }

        @Test
        void its_stand_in_is_a_rung() {
            String file = texts.entrySet().stream()
                    .filter(entry -> entry.getValue().contains("standIns: ["))
                    .map(Map.Entry::getKey)
                    .findFirst()
                    .orElseThrow();
            String first = texts.get(file).replaceAll("(?s).*?standIns: \\[([A-Z0-9]+).*", "$1");
            change(file, "standIns: [" + first, "standIns: [XX9");
            assertThat(refused()).hasMessageEndingWith("names an unknown stand-in XX9");
        }

        @Test
        void it_branches_off_a_rung() {
            String file = texts.entrySet().stream()
                    .filter(entry -> entry.getValue().contains("branchOf: "))
                    .map(Map.Entry::getKey)
                    .findFirst()
                    .orElseThrow();
            String first = texts.get(file).replaceAll("(?s).*?branchOf: ([A-Z0-9]+).*", "$1");
            change(file, "branchOf: " + first, "branchOf: XX9");
            assertThat(refused()).hasMessageEndingWith("branches off an unknown rung XX9");
        }

        @Test
        void its_range_is_worth_having() {
            change(
                    "leg-float.yaml",
                    "full: {from: CROOK, working: {hip: 42, knee: 90, floor: 0}}",
                    "full: {from: CROOK, working: {hip: 42, knee: 90, floor: 0.79}}");
            assertThat(refused().getMessage())
                    .startsWith("leg-float.yaml, line 27: F1: from its easiest to its full range the load rises by ")
                    .endsWith(" %, less than 15 %: such a rung has no range")
                    .containsPattern("by [1-9] %");
        }

        @Test
        void its_load_does_not_fall_while_the_range_grows() {
            change(
                    "leg-float.yaml",
                    "working: {hip: 42, knee: 90, floor: 0.8}}",
                    "working: {hip: 42, knee: 90, floor: 0}}");
            change(
                    "leg-float.yaml",
                    "working: {hip: 42, knee: 90, floor: 0}}\n    watch",
                    "working: {hip: 42, knee: 90, floor: 0.8}}\n    watch");
            assertThat(refused()).hasMessageEndingWith("F1: the load falls while the range grows");
        }

        @Test
        void an_easier_position_asks_less() {
            String asWritten =
                    "ADD_HELPER, SUPPORT, FEWER_REPS, SLOWER, CHANGE_BREATH, CHANGE_SPINE]\n    cues:\n      DRAW_IN_LIGHT: Low belly in as the leg reaches";
            change("leg-float.yaml", asWritten, asWritten.replace("ADD_HELPER", "EASIER_POSITION, ADD_HELPER"));
            change("leg-float.yaml", "- code: F7", "- code: F7\n    easier: {full: CROOK}");
            assertThat(read().rung("F7").easierPosition()).isNotNull();
            change(
                    "leg-float.yaml",
                    "easier: {full: CROOK}",
                    "easier: {full: {from: CROOK, working: {hip: 52, knee: 92, on: NONE}}}");
            assertThat(refused()).hasMessageEndingWith("F7: its easier position asks no less of her");
        }

        @Test
        void every_activation_has_its_cue() {
            change(
                    "deep-core.yaml",
                    "  FLOOR_FIRST: Lift the pelvic floor a little, then let the belly wrap round; ribs stay over hips.\n",
                    "");
            change(
                    "deep-core.yaml",
                    "      FLOOR_FIRST: Lift the pelvic floor a little. Feel the spot under your fingers answer by itself.\n",
                    "");
            assertThat(refused()).hasMessageEndingWith("DC1 needs a cue for every activation stance");
        }

        @Test
        void a_window_says_how_much() {
            change("deep-core.yaml", "{sets: [1, 3], reps: [5, 10], holdS: [3, 5]}", "{sets: [1, 3]}");
            assertThat(refused()).hasMessageEndingWith("a window needs reps, holdS or breaths");
        }

        @Test
        void a_gate_is_of_a_kind_that_somebody_closes() {
            change("deep-core.yaml", "- setGrade: 4", "- moonPhase: 4");
            assertThat(refused()).hasMessageEndingWith("a gate of a kind that is not known: moonPhase");
            texts.putAll(ShippedCatalogue.texts());
            change("deep-core.yaml", "- setGrade: 4", "- breathControl: true");
            assertThat(read().rung("DC4").gates()).contains(new RungGate.BreathControl());
            texts.putAll(ShippedCatalogue.texts());
            change("deep-core.yaml", "- setGrade: 4", "- breathControl: perhaps");
            assertThat(refused()).hasMessageEndingWith("'breathControl' must be true or false");
        }

        @Test
        void what_it_needs_is_not_left_out_nor_left_blank() {
            change("deep-core.yaml", "    caution: Relax fully between repetitions.\n", "");
            assertThat(refused()).hasMessageEndingWith("'caution' is missing");
            texts.putAll(ShippedCatalogue.texts());
            change("deep-core.yaml", "caution: Relax fully between repetitions.", "caution: ''");
            assertThat(refused()).hasMessageEndingWith("'caution' needs a value");
            texts.putAll(ShippedCatalogue.texts());
            change("deep-core.yaml", "lift: 2,", "lift: 2.5,");
            assertThat(refused().getMessage()).contains("'lift'");
        }

        @Test
        void a_helper_lever_names_a_helper() {
            change("deep-core.yaml", "    helpers: [PELVIC_FLOOR_LIFT, HEAD_SHOULDERS]\n", "    helpers: []\n");
            assertThat(refused()).hasMessageEndingWith("DC1 offers a helper lever but names no helper");
        }

        @Test
        void an_easier_place_and_its_lever_go_together() {
            change("deep-core.yaml", "    easier: {full: SIDE_LYING}\n", "");
            assertThat(refused()).hasMessageEndingWith("DC3 must name its easier position where it offers that lever");
        }
    }

    @Nested
    class A_houses_own_rungs {
        private static final String HERS = """
                strand: DEEP_CORE
                name: Ours
                cues:
                  DRAW_IN_LIGHT: In.
                  FLOOR_FIRST: Floor.
                  BRACE_ALL_ROUND: Wide.
                rungs:
                  - code: OWN1
                    name: On the step
                    aim: DEEP_CORE_SET
                    branchOf: DC2
                    window: {reps: [5, 10]}
                    tempo: {lift: 2, return: 2, rest: 4}
                    move: {full: SITTING}
                    levers: [FEWER_REPS]
                    howTo: Sit on the lowest step.
                    caution: Not on a wet step.
                """;

        @Test
        void come_after_the_shipped_ones_of_their_strand_as_side_branches() {
            texts.put("house-1.yaml", HERS);
            Catalogue with = read();
            assertThat(with.strand(Strand.DEEP_CORE).orElseThrow().rungs())
                    .extracting(Rung::code)
                    .containsExactly("DC1", "DC2", "DC3", "DC4", "DC5", "OWN1");
            assertThat(with.strand(Strand.DEEP_CORE).orElseThrow().name()).isEqualTo("Deep-core engagement");
            assertThat(with.previous(with.rung("OWN1"))).map(Rung::code).hasValue("DC2");
            assertThat(with.rung("OWN1").window().sets()).isEqualTo(new Span(1, 3));
        }

        @Test
        void say_which_rung_they_branch_off() {
            texts.put("house-1.yaml", HERS.replace("    branchOf: DC2\n", ""));
            assertThat(refused()).hasMessage("house-1.yaml, line 1: OWN1 must say which rung it branches off");
        }

        @Test
        void do_not_stand_in_for_a_strand() {
            texts.remove("deep-core.yaml");
            texts.put("house-1.yaml", HERS);
            assertThat(refused())
                    .hasMessage("house-1.yaml, line 1: strand DEEP_CORE must stand before rungs are added to it");
        }
    }

    @Test
    void a_strand_stands_in_one_file_and_its_postures_in_theirs() {
        texts.put("deep-core-2.yaml", texts.get("deep-core.yaml"));
        assertThat(refused()).hasMessageEndingWith("strand DEEP_CORE stands in two files");
        texts.remove("deep-core-2.yaml");
        texts.remove(Catalogue.POSTURES);
        assertThat(refused()).hasMessageEndingWith("the file is missing: rungs start from its postures");
    }

    @Test
    void a_rung_that_is_not_there_is_named() {
        assertThatThrownBy(() -> read().rung("ZZ1"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("no rung ZZ1");
    }

    @Test
    void what_leads_to_a_rung_is_found_near_and_far_and_never_the_rung_itself() {
        Catalogue anew = read();
        assertThat(anew.leading(anew.rung("F4"))).extracting(Rung::code).contains("F3", "F2", "F1");
        assertThat(anew.leadingAtOnce(anew.rung("F4"))).extracting(Rung::code).containsExactly("F3");
        assertThat(anew.rungs())
                .allSatisfy(rung -> assertThat(anew.leading(rung)).doesNotContain(rung));
        assertThat(anew.rungs().stream().filter(Rung::fromDayOne))
                .isNotEmpty()
                .allSatisfy(rung -> assertThat(anew.leadingAtOnce(rung)).isEmpty());
    }

    @Test
    void helpers_that_are_things_come_to_her_props_and_others_do_not() {
        Rung f1 = read().rung("F1");
        assertThat(f1.withHelpers(Set.of(Helper.BALL)).props()).contains(Prop.BALL);
        assertThat(f1.withHelpers(Set.of(Helper.HEAD_SHOULDERS)).props()).contains(Prop.PILLOW);
        assertThat(f1.withHelpers(Set.of(Helper.ROD)).props()).contains(Prop.ROD);
        assertThat(f1.withHelpers(Set.of(Helper.PELVIC_FLOOR_LIFT, Helper.ARMS_DOWN))
                        .props())
                .isEqualTo(f1.props());
    }

    @Test
    void the_load_of_a_usual_body_without_the_back_line_grows_with_the_range() {
        Catalogue anew = read();
        Rung f5 = anew.rung("F5");
        assertThat(anew.frontIndex(f5, 1)).isGreaterThan(1.15 * anew.frontIndex(f5, 0));
        assertThat(anew.frontIndex(f5, 0)).isPositive();
        assertThat(anew.frontIndex(anew.rung("DC1"), 1)).isZero();
    }
}
