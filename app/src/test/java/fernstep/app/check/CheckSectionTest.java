package fernstep.app.check;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.findings.Finding;
import java.util.Arrays;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class CheckSectionTest {
    @ParameterizedTest
    @EnumSource(Finding.class)
    void every_finding_stands_in_exactly_one_section_or_is_dragged(Finding finding) {
        long sections = Arrays.stream(CheckSection.values())
                .filter(s -> s.fields().contains(finding))
                .count();
        boolean dragged = finding == Finding.ALIGNMENT_POINTS || finding == Finding.DOME_POINTS;
        assertThat(sections).isEqualTo(dragged ? 0 : 1);
    }
}
