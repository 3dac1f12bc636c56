package fernstep.exchange.edf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import fernstep.core.trace.Channel;
import fernstep.core.trace.Samples;
import fernstep.exchange.edf.EdfFile.Annotation;
import fernstep.exchange.edf.EdfFile.Damaged;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A recording goes into the European Data Format and comes back. */
class EdfTest {
    private static final LocalDateTime START = LocalDateTime.of(2026, 3, 9, 14, 5, 7);
    private static final int HZ = 50;
    private static final List<Annotation> TOLD = List.of(
            new Annotation(1.5, 3.25, "Rep 1 LEFT"),
            new Annotation(1.5, 0, "Sign BACK_ARCHES 0.82"),
            new Annotation(8, 2, "Größe"));

    /** Eleven seconds and a half, with a hole from 4 to 5 seconds where asked for. */
    private static Samples samples(boolean hole) {
        double[] all =
                IntStream.range(0, 575).mapToDouble(index -> 20.0 * index).toArray();
        double[] times =
                Arrays.stream(all).filter(t -> !hole || t < 4000 || t >= 5000).toArray();
        return new Samples(
                times,
                Map.of(
                        Channel.CUFF,
                                Arrays.stream(times)
                                        .map(t -> 40 + 12 * Math.sin(t / 900))
                                        .toArray(),
                        Channel.RIBS,
                                Arrays.stream(times)
                                        .map(t -> 10 + Math.cos(t / 700))
                                        .toArray()));
    }

    @Test
    void samples_start_and_annotations_come_back_within_a_step_of_sixteen_bits() throws Damaged {
        Samples before = samples(false);
        EdfFile file = EdfReader.read(EdfWriter.write(START, before, TOLD), false);
        assertThat(file.start()).isEqualTo(START);
        assertThat(file.annotations()).containsExactlyInAnyOrderElementsOf(TOLD);
        assertThat(file.samples().has(Channel.BELLY)).isFalse();
        for (int i = 0; i < before.size(); i++) {
            assertThat(file.samples().timeMs(i)).isCloseTo(before.timeMs(i), Offset.offset(0.001));
            // 24 mmHg over 65,535 steps
            assertThat(file.samples().value(Channel.CUFF, i))
                    .isCloseTo(before.value(Channel.CUFF, i), Offset.offset(0.0005));
        }
    }

    @Test
    void the_header_says_what_the_format_asks_for_and_names_nobody() {
        byte[] bytes = EdfWriter.write(START, samples(false), TOLD);
        String header = new String(bytes, 0, 256, StandardCharsets.US_ASCII);
        assertThat(header).startsWith("0       X X X X ");
        assertThat(header.substring(88, 168)).startsWith("Startdate 09-MAR-2026 X X fern_step ");
        assertThat(header.substring(168, 184)).isEqualTo("09.03.2614.05.07");
        // two channels and the annotations
        assertThat(header.substring(184, 192).strip()).isEqualTo("1024");
        assertThat(header.substring(192, 197)).isEqualTo("EDF+C");
        assertThat(header.substring(236, 256).strip()).isEqualTo("12      1       3");
    }

    @Test
    void a_hole_comes_back_as_a_hole() throws Damaged {
        EdfFile file = EdfReader.read(EdfWriter.write(START, samples(true), List.of()), false);
        assertThat(file.annotations()).isEmpty();
        for (int i = 0; i < 11 * HZ; i++) {
            double ms = file.samples().timeMs(i);
            assertThat(Double.isNaN(file.samples().value(Channel.RIBS, i)))
                    .as("at %.0f ms", ms)
                    .isEqualTo(ms >= 4000 && ms < 5000);
        }
        assertThat(file.samples().trace().gaps()).hasSize(1);
    }

    @Test
    void a_truncated_file_is_refused_at_its_byte_and_its_whole_records_are_kept_on_request() throws Damaged {
        byte[] whole = EdfWriter.write(START, samples(false), TOLD);
        // header of three signals, then records of two channels at 50 Hz and 64 bytes of annotations
        int record = 2 * 2 * HZ + 64;
        byte[] cut = Arrays.copyOf(whole, 1024 + 3 * record + 17);
        Damaged damaged = catchThrowableOfType(Damaged.class, () -> EdfReader.read(cut, false));
        assertThat(damaged.at()).isEqualTo(1024 + 3L * record);
        assertThat(damaged).hasMessageContaining("record 4 of 12");
        EdfFile kept = EdfReader.read(cut, true);
        assertThat(kept.samples().size()).isEqualTo(3 * HZ);
        assertThat(kept.annotations()).hasSize(2);
    }

    @ParameterizedTest
    @CsvSource({"0,0", "100,100", "256,256", "1023,1023", "1024,1024"})
    void a_file_that_ends_in_or_right_after_its_header_is_refused_where_it_ends(int length, int at) {
        byte[] cut = Arrays.copyOf(EdfWriter.write(START, samples(false), TOLD), length);
        for (boolean keep : new boolean[] {false, true}) {
            assertThat(catchThrowableOfType(Damaged.class, () -> EdfReader.read(cut, keep))
                            .at())
                    .isEqualTo(at);
        }
    }

    @ParameterizedTest
    @CsvSource({"0,1,0", "168,x,168", "184,9,184", "236,x,236", "252,99,252"})
    void a_wrong_field_is_refused_at_its_byte(int offset, String text, int at) {
        byte[] bytes = EdfWriter.write(START, samples(false), TOLD);
        byte[] wrong = text.getBytes(StandardCharsets.US_ASCII);
        System.arraycopy(wrong, 0, bytes, offset, wrong.length);
        assertThatThrownBy(() -> EdfReader.read(bytes, true))
                .isInstanceOfSatisfying(
                        Damaged.class, damaged -> assertThat(damaged.at()).isEqualTo(at));
    }

    @Test
    void whatever_bytes_are_broken_it_is_read_or_refused_and_nothing_else() {
        byte[] whole = EdfWriter.write(START, samples(false), TOLD);
        Random random = new Random(5);
        for (int n = 0; n < 3000; n++) {
            byte[] broken = whole.clone();
            for (int k = 0; k < 4; k++) {
                broken[random.nextInt(1200)] = (byte) random.nextInt(256);
            }
            try {
                assertThat(EdfReader.read(broken, true).samples().size()).isPositive();
            } catch (Damaged d) {
                assertThat(d.at()).isBetween(0L, (long) whole.length);
            }
        }
    }
}
