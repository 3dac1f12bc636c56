package fernstep.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.StanceChange;
import fernstep.core.client.Clearance;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Answer;
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
            for (Path file : files.filter(f -> f.toString().endsWith(".java")).toList()) {
                String source = Files.readString(file);
                Stream.concat(
                                KEY.matcher(source).results(),
                                GIVEN.matcher(source).results())
                        .map(m -> m.group(1))
                        .filter(key -> !wording.knows(key))
                        .forEach(missing::add);
            }
        }
        assertThat(missing).isEmpty();
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
                    .allSatisfy(o -> assertThat(wording.text("option." + o)).isNotBlank());
        }
    }

    @Test
    void facts_are_put_in_as_people_read_them() {
        assertThat(wording.of(Reason.of("gate.dayAndClearance", LocalDate.of(2031, 5, 15), Clearance.Scope.EXERCISE)))
                .isEqualTo("From 15 May 2031 on, once her midwife or doctor has cleared exercise");
        assertThat(wording.of(Reason.of("restriction.answer", Answer.WRIST_PAIN)))
                .isEqualTo("Told today: Wrist pain");
    }
}
