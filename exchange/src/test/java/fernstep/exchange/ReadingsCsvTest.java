package fernstep.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.separation.Condition;
import fernstep.core.separation.Depth;
import fernstep.core.separation.Method;
import fernstep.core.separation.Reading;
import fernstep.core.separation.Width;
import fernstep.exchange.table.ReadingsCsv;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

class ReadingsCsvTest {
    @Test
    void a_reading_is_a_line_with_a_point_for_decimals_whatever_the_language() {
        Width width = new Width(
                Reading.of(-2, Condition.HEAD_LIFT, Method.FINGERS, 2.0, 2.5), 33.754, 4.5, 3, 2.25, true, null);
        assertThat(ReadingsCsv.write(List.of(new ReadingsCsv.Line(LocalDate.of(2031, 5, 1), width, Depth.KNUCKLE_1)))
                        .lines())
                .containsExactly(
                        "date,site_cm,condition,method,values,width_mm,error_mm,calibrated,depth_mm,depth,feel",
                        "2031-05-01,-2,HEAD_LIFT,FINGERS,2 2.5,33.75,4.5,true,,KNUCKLE_1,");
    }
}
