package fernstep.app.changes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fernstep.app.ask.VisitRow;
import fernstep.app.check.Checks;
import fernstep.core.approach.Stances.GapReading;
import fernstep.core.client.BodyEvent;
import fernstep.core.progress.ChangeReport;
import fernstep.core.screening.Stage.ForWidth;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Examiner;
import fernstep.core.separation.Method;
import fernstep.core.separation.Reading;
import fernstep.core.separation.Separation;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class TrendChartTest {
    private static final LocalDate START = LocalDate.of(2031, 1, 1);

    private static Checks.Taken visit(int day, double mm) {
        return new Checks.Taken(
                new VisitRow(day, 1, START.plusDays(day), 1, null, null, null),
                new Separation.Check(List.of(Reading.of(2, Condition.REST, Method.CALIPER, mm)), Examiner.UNKNOWN),
                new ChangeReport.Found(Map.of(), Map.of()));
    }

    private static TrendChart chart(List<BodyEvent> events, List<LocalDate> gates, double... dayAndMm) {
        List<Checks.Taken> history = new ArrayList<>();
        for (int i = 0; i < dayAndMm.length; i += 2) {
            history.add(visit((int) dayAndMm[i], dayAndMm[i + 1]));
        }
        return TrendChart.of(
                2,
                Condition.REST,
                history,
                events,
                gates,
                taken -> Separation.of(taken.check(), null, GapReading.WIDTH_BY_SITE, ForWidth.OTHER));
    }

    @Test
    void shows_each_visit_with_its_error_and_the_band_of_no_real_change() {
        TrendChart c = chart(List.of(), List.of(), 0, 40, 42, 30);
        // caliper 2 mm: bar ±3.92 mm, band ±1.96·√8 = 5.54 mm; the axis reaches 43.92 + 10 = 53.92 mm over 156 units
        double unit = 156 / 53.92;
        assertThat(c.dots().get(0).y()).isCloseTo(170 - 40 * unit, within(1e-6));
        assertThat(c.dots().get(0).barBottom() - c.dots().get(0).barTop()).isCloseTo(7.84 * unit, within(1e-6));
        assertThat(c.bandHeight()).isCloseTo(2 * 5.5437 * unit, within(1e-2));
        assertThat(c.dots().get(0).x()).isEqualTo(40);
        assertThat(c.dots().get(1).x()).isEqualTo(545);
    }

    @Test
    void gives_a_slope_in_mm_a_week_from_four_visits_on() {
        assertThat(chart(List.of(), List.of(), 0, 40, 42, 37, 84, 34).slopeMmPerWeek())
                .isNull();
        // 3 mm in six weeks
        assertThat(chart(List.of(), List.of(), 0, 40, 42, 37, 84, 34, 126, 31).slopeMmPerWeek())
                .isCloseTo(-0.5, within(1e-9));
    }

    @Test
    void marks_events_and_gates_inside_its_time_only() {
        TrendChart c = chart(
                List.of(
                        new BodyEvent(BodyEvent.Kind.SURGERY, START.plusDays(21), "x"),
                        new BodyEvent(BodyEvent.Kind.VAGINAL_BIRTH, START.minusDays(5), "")),
                List.of(START.plusDays(42), START.plusDays(400)),
                0,
                40,
                42,
                30);
        assertThat(c.events())
                .singleElement()
                .satisfies(mark -> assertThat(mark.x()).isCloseTo(292.5, within(1e-9)));
        assertThat(c.gatesX()).containsExactly(545.0);
    }
}
