package fernstep.app.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.approach.Stances.GapReading;
import fernstep.core.screening.Stage.ForWidth;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Examiner;
import fernstep.core.separation.Method;
import fernstep.core.separation.Reading;
import fernstep.core.separation.Separation;
import java.util.List;
import org.junit.jupiter.api.Test;

class MidlineDrawingTest {
    private static Separation of(Reading... readings) {
        return Separation.of(
                new Separation.Check(List.of(readings), Examiner.UNKNOWN),
                null,
                GapReading.WIDTH_BY_SITE,
                ForWidth.OTHER);
    }

    private static Reading rest(double site, double mm) {
        return Reading.of(site, Condition.REST, Method.CALIPER, mm);
    }

    @Test
    void is_to_scale_with_the_navel_in_the_middle_and_the_head_up() {
        MidlineDrawing d = MidlineDrawing.of(of(rest(0, 30), rest(2, 20)), null);
        assertThat(d.marks()).anySatisfy(mark -> {
            // 30 mm at 2.6 units a mm, half to each side of 160
            assertThat(mark.leftX()).isCloseTo(160 - 39, within(1e-9));
            assertThat(mark.rightX()).isCloseTo(160 + 39, within(1e-9));
            assertThat(mark.y()).isEqualTo(210);
        });
        // 2 cm toward the head: 52 units up
        assertThat(d.marks()).anySatisfy(mark -> assertThat(mark.y()).isCloseTo(158, within(1e-9)));
        assertThat(d.outlines().get(0).path()).startsWith("M121 210").contains("L134 158");
    }

    @Test
    void draws_no_outline_from_one_site_but_marks_it() {
        MidlineDrawing d = MidlineDrawing.of(of(rest(0, 30)), null);
        assertThat(d.outlines()).isEmpty();
        assertThat(d.marks()).hasSize(1);
    }

    @Test
    void puts_the_visit_before_behind_today_and_tapers_beyond_what_was_measured() {
        MidlineDrawing d = MidlineDrawing.of(of(rest(0, 30), rest(2, 20)), of(rest(0, 36), rest(2, 24)));
        assertThat(d.outlines()).extracting(MidlineDrawing.Outline::kind).containsExactly("before", "rest");
        // the tips lie 2 cm beyond +2 and 0: y = 210 − 4·26 = 106 and 210 + 52 = 262, on the midline
        assertThat(d.outlines().get(1).taper()).contains("L160 106").contains("L160 262");
    }
}
