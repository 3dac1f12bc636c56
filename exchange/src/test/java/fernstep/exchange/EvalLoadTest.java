package fernstep.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.exchange.casefile.CataloguePackage;
import fernstep.exchange.edf.EdfWriter;
import fernstep.exchange.eval.Eval;
import fernstep.exchange.table.TraceCsv;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** The evaluation of loads, ranges and traces. */
class EvalLoadTest extends EvalAsked {
    private static final String LOAD = """
            {"op":"load","massKg":70,"heightCm":170,"gestationWeeks":null,"pose":{"position":"SUPINE",
             "left":{"hip":90,"knee":90,"shoulder":0,"elbow":0},"right":{"hip":42,"knee":90,"shoulder":0,"elbow":0},
             "handWeightKg":0,"contacts":["BACK","RIGHT_FOOT"]}}""";

    @Test
    void load_answers_moments_heights_and_joints() {
        JsonNode a = answer(LOAD);
        // the static sums for one leg at tabletop: 9.946 N·m, and 0.161·70·9.81·0.05·1.70 = 9.398 N·m turning; heel
        // height 0.021·170 + 41.65 cm
        assertThat(a.get("bendingNm").doubleValue()).isEqualTo(9.95);
        assertThat(Math.abs(a.get("turningNm").doubleValue())).isEqualTo(9.4);
        assertThat(a.get("loadIndex").doubleValue()).isEqualTo(11.72);
        assertThat(a.at("/heelHeightCm/left").doubleValue()).isEqualTo(45.22);
        assertThat(a.at("/heelHeightCm/right").doubleValue()).isZero();
        // hip 0.06·1.70 above the floor, and the knee a thigh above it
        assertThat(a.at("/joints/leftKnee/y").doubleValue()).isEqualTo(0.5185);
        assertThat(a.get("assumed").booleanValue()).isFalse();
    }

    @Test
    void load_takes_a_rung_at_a_range_on_either_side() {
        String rung =
                "{\"op\":\"load\",\"rung\":\"F7\",\"side\":\"SIDE\",\"range\":0.4,\"massKg\":70,\"heightCm\":170}";
        JsonNode left = answer(rung.replace("SIDE", "LEFT"));
        JsonNode right = answer(rung.replace("SIDE", "RIGHT"));
        assertThat(left.get("loadIndex").doubleValue())
                .isEqualTo(right.get("loadIndex").doubleValue());
        assertThat(left.at("/heelHeightCm/left").doubleValue())
                .isEqualTo(right.at("/heelHeightCm/right").doubleValue())
                .isGreaterThan(0);
        assertThat(answer("{\"op\":\"load\",\"rung\":\"F2\"}").get("assumed").booleanValue())
                .isTrue();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "[\"BACK\",\"RIGHT_FOOT\"]|[]|pose.contacts|name what bears on the floor",
                "\"left\":{\"hip\":90|\"left\":{\"hip\":170|pose.hip|from -40 to 140 deg",
                "\"massKg\":70|\"massKg\":10|massKg|from 25 to 250 kg",
                "RIGHT_FOOT|RIGHT_EAR|pose.contacts[1]|",
                "\"handWeightKg\":0|\"handWeightKg\":90|pose.handWeightKg|from 0 to 20 kg"
            })
    void load_refuses_what_no_body_can_do(String part, String broken, String path, String allowed) {
        JsonNode e = error(LOAD.replace(part, broken));
        assertThat(e.get("path").stringValue()).isEqualTo(path);
        if (allowed != null) {
            assertThat(e.get("allowed").stringValue()).isEqualTo(allowed);
        }
    }

    @Test
    void range_answers_how_far_or_that_even_the_easiest_is_too_much() {
        String ask =
                "{\"op\":\"range\",\"rung\":\"F7\",\"side\":\"LEFT\",\"ceilingIndex\":30.0,\"massKg\":70,\"heightCm\":170}";
        JsonNode a = answer(ask);
        assertThat(a.get("loadIndex").doubleValue()).isBetween(29.8, 30.0);
        // what it answers, asked back as a load, is that load
        JsonNode back = answer("{\"op\":\"load\",\"rung\":\"F7\",\"side\":\"LEFT\",\"range\":"
                + a.get("range").doubleValue() + ",\"massKg\":70,\"heightCm\":170}");
        assertThat(back.get("loadIndex").doubleValue())
                .isCloseTo(a.get("loadIndex").doubleValue(), org.assertj.core.api.Assertions.within(0.05));
        JsonNode not = answer(ask.replace("30.0", "5.0"));
        assertThat(not.get("reachable").booleanValue()).isFalse();
        assertThat(not.get("easiestIndex").doubleValue()).isGreaterThan(5);
        assertThat(error(ask.replace("\"F7\"", "\"BR1\"")).get("path").stringValue())
                .isEqualTo("rung");
    }

    /** Six seconds a breath, out from the second on; the cuff falls by 14 mmHg from 20.5 to 23.5 s. */
    private static String trace(boolean wide) {
        StringBuilder csv =
                new StringBuilder("# drawn\\n" + (wide ? "t_ms,cuff_mmhg,ribs" : "t_ms,channel,value,unit"));
        for (int ms = 0; ms < 60_000; ms += 40) {
            double in = ms % 6_000 / 1000.0;
            double ribs = in < 2
                    ? (1 - Math.cos(Math.PI * in / 2)) / 2
                    : in < 5 ? (1 + Math.cos(Math.PI * (in - 2) / 3)) / 2 : 0;
            double cuff = 40 - (ms > 20_500 && ms < 23_500 ? 14 : 0) + 0.01 * (ms / 40 % 3);
            csv.append(
                    wide
                            ? String.format(Locale.ROOT, "\\n%d,%.3f,%.4f", ms, cuff, ribs)
                            : String.format(Locale.ROOT, "\\n%d,CUFF,%.3f,mmHg\\n%d,RIBS,%.4f,cm", ms, cuff, ms, ribs));
        }
        return csv.toString();
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void a_trace_as_a_table_is_judged_repetition_by_repetition(boolean wide) {
        JsonNode a = answer("{\"op\":\"trace\",\"csv\":\"" + trace(wide)
                + "\",\"marks\":[{\"rep\":1,\"side\":\"LEFT\",\"startMs\":20500,\"endMs\":23500}]}");
        assertThat(a.get("sampleRateHz").doubleValue()).isEqualTo(25);
        assertThat(a.at("/reps/0/leadS").doubleValue()).isBetween(0.35, 0.65);
        assertThat(a.at("/reps/0/excursionMmHg").doubleValue()).isBetween(-14.3, -13.7);
        assertThat(a.at("/reps/0/verdict/0/sign").stringValue()).isEqualTo("BACK_ARCHES");
        assertThat(a.at("/summary/breathsPerMin").doubleValue()).isBetween(9.9, 10.1);
        assertThat(a.at("/problems/0/code").stringValue()).isEqualTo("CHANNEL_MISSING");
    }

    @Test
    void a_trace_in_the_european_data_format_is_read_from_a_file(@TempDir Path folder) throws Exception {
        Path file = folder.resolve("she.edf");
        Files.write(
                file,
                EdfWriter.write(
                        LocalDateTime.of(2031, 5, 2, 9, 0),
                        TraceCsv.read(trace(true).replace("\\n", "\n")),
                        List.of()));
        String request = "{\"op\":\"trace\",\"file\":\"" + file
                + "\",\"tempoS\":3,\"letGo\":true,\"marks\":[{\"rep\":1,\"side\":\"LEFT\",\"startMs\":20500,\"endMs\":23500}]}";
        JsonNode a = answer(request);
        assertThat(a.at("/reps/0/excursionMmHg").doubleValue()).isBetween(-14.3, -13.7);
        assertThat(a.at("/reps/0/verdict/0/sign").stringValue()).isEqualTo("BACK_ARCHES");
    }

    @Test
    void a_trace_that_cannot_be_read_names_its_line_and_the_pages_read_no_files() {
        assertThat(error("{\"op\":\"trace\",\"csv\":\"t_ms,ribs\\n0,1\\n20,x\"}")
                        .get("message")
                        .stringValue())
                .isEqualTo("line 3: not a number: x");
        assertThat(error("{\"op\":\"trace\",\"csv\":\"time,ribs\\n0,1\"}")
                        .get("path")
                        .stringValue())
                .isEqualTo("csv");
        assertThat(new Eval(CataloguePackage::shipped)
                        .answer("{\"op\":\"trace\",\"file\":\"/etc/passwd.csv\"}")
                        .json())
                .contains("cannot be read");
    }
}
