package fernstep.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.findings.SignCode;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HomeReportTest {
    @ParameterizedTest
    @CsvSource({
        "DONE, , , CLEAN",
        "DONE, TIRED, , CLEAN",
        "DONE, , 0, CLEAN",
        "DONE, BREATH_HELD, , HELPED",
        "DONE, , 2, HELPED",
        "DONE, , 4, EASED",
        "DONE, LEAK, , EASED",
        "DONE, HEAVY, , EASED",
        "DONE, DOME_FIRM, , EASED",
        "DONE, DOME_SOFT, , HELPED",
        "EASED, , , EASED",
        "STOPPED, , , STOPPED",
        "STOPPED, TIRED, , STOPPED",
    })
    void what_she_tells_becomes_a_result(
            HomeReport.Told told, String signs, Integer pain, SessionResult.Kind expected) {
        Set<SignCode> named = EnumSet.noneOf(SignCode.class);
        if (signs != null) {
            Arrays.stream(signs.split(" ")).map(SignCode::valueOf).forEach(named::add);
        }
        assertThat(new HomeReport(told, named, pain).kind()).isEqualTo(expected);
    }
}
