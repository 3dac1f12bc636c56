package fernstep.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.client.Clearance;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Answer;
import fernstep.exchange.wording.Wording;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class WordingTest {
    private static final Pattern KEY = Pattern.compile(
            "\"((?:R\\d+|gate|meaning|report|symmetry|verdict|restriction|stage|why|whyNot|waiting|progress|proposal|warn|runner)\\.[A-Za-z.]+[A-Za-z]|noRungBack|noLeverLeft)\"");
    private final Wording wording = Wording.english();

    @Test
    void every_reason_the_core_can_give_has_a_sentence() throws IOException {
        Set<String> missing = new TreeSet<>();
        try (Stream<Path> files = Files.walk(Path.of("../core/src/main/java"))) {
            for (Path file : files.filter(f -> f.toString().endsWith(".java")).toList()) {
                Matcher m = KEY.matcher(Files.readString(file));
                while (m.find()) {
                    if (!wording.knows(m.group(1))) {
                        missing.add(m.group(1));
                    }
                }
            }
        }
        assertThat(missing).isEmpty();
    }

    @Test
    void facts_are_put_in_as_people_read_them() {
        assertThat(wording.of(Reason.of("gate.dayAndClearance", LocalDate.of(2031, 5, 15), Clearance.Scope.EXERCISE)))
                .isEqualTo("From 15 May 2031 on, once her midwife or doctor has cleared exercise");
        assertThat(wording.of(Reason.of("restriction.answer", Answer.WRIST_PAIN)))
                .isEqualTo("Told today: Wrist pain");
    }
}
