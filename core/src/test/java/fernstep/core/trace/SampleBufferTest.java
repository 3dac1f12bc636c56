package fernstep.core.trace;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;

/** Samples kept while they come. */
class SampleBufferTest {
    private static void add(SampleBuffer buffer, int from, int to) {
        for (int i = from; i < to; i++) {
            buffer.add(20.0 * i, Map.of(Channel.CUFF, 40 + i / 1000.0));
        }
    }

    private static void holds(SampleBuffer buffer, int from, int to) {
        Samples all = buffer.whole();
        assertThat(buffer.size()).isEqualTo(to - from);
        assertThat(all.size()).isEqualTo(to - from);
        for (int i = from; i < to; i++) {
            assertThat(all.timeMs(i - from)).isEqualTo(20.0 * i);
            assertThat(all.value(Channel.CUFF, i - from)).isEqualTo(40 + i / 1000.0);
        }
    }

    @Test
    void an_hour_is_kept_whole_and_in_order() {
        SampleBuffer buffer = new SampleBuffer();
        assertThat(buffer.isEmpty()).isTrue();
        add(buffer, 0, 180_000);
        holds(buffer, 0, 180_000);
        assertThat(buffer.lastMs()).isEqualTo(20.0 * 179_999);
    }

    @Test
    void what_was_let_go_of_is_gone_and_what_is_left_stays_where_it_was() {
        SampleBuffer buffer = new SampleBuffer();
        for (int i = 0; i < 20_000; i++) {
            add(buffer, i, i + 1);
            buffer.forgetBefore(20.0 * (i - 900));
        }
        holds(buffer, 19_099, 20_000);
        buffer.forgetBefore(20.0 * 19_998);
        holds(buffer, 19_998, 20_000);
        buffer.forgetBefore(1e9);
        assertThat(buffer.isEmpty()).isTrue();
    }

    @Test
    void what_came_after_a_moment_is_told_apart_and_a_channel_that_came_late_is_missing_before() {
        SampleBuffer buffer = new SampleBuffer();
        add(buffer, 0, 1500);
        buffer.add(30_000, Map.of(Channel.RIBS, 9.0));
        Samples late = buffer.after(29_960);
        assertThat(late.size()).isEqualTo(2);
        assertThat(late.timeMs(0)).isEqualTo(29_980);
        assertThat(late.value(Channel.RIBS, 0)).isNaN();
        assertThat(late.value(Channel.RIBS, 1)).isEqualTo(9);
        assertThat(late.value(Channel.CUFF, 1)).isNaN();
    }
}
