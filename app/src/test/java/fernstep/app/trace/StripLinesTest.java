package fernstep.app.trace;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.trace.Trace;
import fernstep.core.trace.TraceReport;
import java.util.List;
import org.junit.jupiter.api.Test;

class StripLinesTest {
    private static TraceReport report(List<TraceReport.Breath> breaths, Trace.Gap... gaps) {
        return new TraceReport(
                50,
                60_000,
                breaths,
                List.of(),
                List.of(),
                new TraceReport.Summary(null, 0, null, null),
                List.of(gaps),
                List.of());
    }

    private static final List<TraceReport.Breath> TWO =
            List.of(new TraceReport.Breath(1_000, 3_000), new TraceReport.Breath(7_000, 9_000));

    @Test
    void an_out_breath_goes_on_to_the_next_in_breath_and_the_last_is_still_going_on() {
        assertThat(StripLines.outBreaths(report(TWO))).containsExactly(List.of(3_000.0, 7_000.0), List.of(9_000.0));
    }

    @Test
    void where_nothing_was_received_no_breath_is_claimed() {
        assertThat(StripLines.outBreaths(report(TWO, new Trace.Gap(4_000, 6_000))))
                .containsExactly(List.of(3_000.0, 4_000.0), List.of(9_000.0));
        assertThat(StripLines.outBreaths(report(TWO, new Trace.Gap(10_000, 15_000))))
                .as("the last one ends there too")
                .containsExactly(List.of(3_000.0, 7_000.0), List.of(9_000.0, 10_000.0));
        assertThat(StripLines.outBreaths(report(TWO, new Trace.Gap(500, 900))))
                .as("a gap before it changes nothing")
                .containsExactly(List.of(3_000.0, 7_000.0), List.of(9_000.0));
    }
}
