package fernstep.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.StanceChange;
import fernstep.core.client.Clearance;
import fernstep.core.findings.Finding;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Answer;
import fernstep.exchange.casefile.CataloguePackage;
import fernstep.exchange.wording.CodeWords;
import fernstep.exchange.wording.Wording;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

class WordingTest {
    private static final Pattern KEY = Pattern.compile(
            "\"((?:R\\d+|gate|meaning|report|symmetry|verdict|restriction|stage|why|whyNot|waiting|progress|proposal|warn|runner|need|board|leftOut|held|dose)\\.[A-Za-z.]+[A-Za-z]|noRungBack|noLeverLeft)\"");
    private static final Pattern GIVEN = Pattern.compile("Reason\\.of\\(\\s*\"([A-Za-z0-9.]+)\"\\s*[,)]");
    private final Wording wording = Wording.english();

    @Test
    void every_reason_the_core_can_give_has_a_sentence() throws IOException {
        Set<String> missing = new TreeSet<>();
        try (Stream<Path> files = Files.walk(Path.of("../core/src/main/java"))) {
            for (Path file :
                    files.filter(path -> path.toString().endsWith(".java")).toList()) {
                String source = Files.readString(file);
                Stream.concat(
                                KEY.matcher(source).results(),
                                GIVEN.matcher(source).results())
                        .map(match -> match.group(1))
                        .filter(key -> !wording.knows(key))
                        .forEach(missing::add);
            }
        }
        assertThat(missing).isEmpty();
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "Left,left",
        "With the first move,with the first move",
        "BMI of 30,BMI of 30",
        "Émile's,émile's",
        "3 breaths,3 breaths",
        "A breath,a breath",
        "'',''"
    })
    void within_a_sentence_a_phrase_begins_small_unless_it_is_written_in_capitals(String phrase, String amid) {
        assertThat(wording.amid(phrase)).isEqualTo(amid);
    }

    static Stream<Class<?>> kindsOfCodes() {
        return CodeWords.kinds().stream().sorted(Comparator.comparing(Class::getName));
    }

    @ParameterizedTest
    @MethodSource("kindsOfCodes")
    void every_code_that_people_read_has_its_words(Class<?> kind) {
        assertThat(kind.getEnumConstants())
                .allSatisfy(code -> assertThat(wording.of((Enum<?>) code)).isNotBlank());
    }

    @Test
    void every_choice_of_a_stance_has_its_words() {
        for (StanceChange stance : StanceChange.values()) {
            assertThat(stance.options())
                    .allSatisfy(
                            text -> assertThat(wording.text("option." + text)).isNotBlank());
        }
    }

    @Test
    void every_posture_a_rung_can_start_from_has_its_words() {
        assertThat(CataloguePackage.shipped().postures().keySet())
                .allSatisfy(
                        text -> assertThat(wording.text("startPosture." + text)).isNotBlank());
    }

    @ParameterizedTest
    @EnumSource(Finding.class)
    void every_finding_and_each_of_its_codes_has_its_words(Finding finding) {
        boolean dragged = finding == Finding.ALIGNMENT_POINTS || finding == Finding.DOME_POINTS;
        assertThat(dragged || wording.knows("field." + finding)).isTrue();
        assertThat(finding.codes()).allMatch(text -> wording.knows("finding." + text));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "COUGH|SNEEZES|One of DRAWS_IN, NO_CHANGE, PUSHES_OUT.",
                "SET_GRADE|6|Engagement grade must be a whole number from 0 to 5.",
                "SET_HOLD_S|601|Hold must be a number from 0 to 600 s.",
                "RIB_IN_CM|wide|Girth must be a number from 40 to 180 cm.",
                "ALIGNMENT_POINTS|x|Needs a scale and 4 points.",
                "ALIGNMENT_POINTS|0;1,2;3,4;5,6;7,8|The scale must be above 0 and up to 50 mm a unit."
            })
    void a_refused_value_is_told_with_what_is_allowed(Finding finding, String value, String sentence) {
        assertThat(wording.of(finding.typed(value).problem())).isEqualTo(sentence);
    }

    @Test
    void facts_are_put_in_as_people_read_them() {
        assertThat(wording.of(Reason.of("gate.dayAndClearance", LocalDate.of(2031, 5, 15), Clearance.Scope.EXERCISE)))
                .isEqualTo("From 15 May 2031 on, once her midwife or doctor has cleared exercise");
        assertThat(wording.of(Reason.of("restriction.answer", Answer.WRIST_PAIN)))
                .isEqualTo("Reported today: Wrist pain");
    }
}
