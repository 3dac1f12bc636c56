package fernstep.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaLocation;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import fernstep.exchange.casefile.CataloguePackage;
import fernstep.exchange.edf.EdfWriter;
import fernstep.exchange.eval.Eval;
import fernstep.exchange.table.TraceCsv;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The headless command as other programs meet it; every request and answer is held against its schema. */
class EvalTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Eval EVAL = new Eval();

    private static final String SCREEN = """
            {"op":"screen","today":"2031-05-02","client":{"status":"POSTNATAL","birthDate":"2031-03-20",
             "birthMode":"CAESAREAN","tearDegree":0,"surgeries":[],"clearances":[{"scope":"GENTLE","date":"2031-04-30",
             "byRole":"MIDWIFE"}],"heightCm":168,"massKg":71,"age":33,"restrictions":[]},"answers":["SCAR_TENDER"],
             "approach":"QUIET_START"}""";
    private static final String SEPARATION = """
            {"op":"separation","calibrationMm":[16,31,46,60],"gapStance":"TWO_OR_MORE_FINGERS",
             "stage":"POSTNATAL_AFTER_6_WEEKS","readings":[
              {"siteCm":2,"condition":"REST","method":"FINGERS","values":[2.5]},
              {"siteCm":2,"condition":"HEAD_LIFT","method":"FINGERS","values":[2]},
              {"siteCm":0,"condition":"REST","method":"CALIPER","values":[28.5]}],
             "previous":[{"siteCm":2,"condition":"REST","method":"CALIPER","values":[43.5]}]}""";
    private static final String DECIDE = """
            {"op":"decide","rung":"F4","side":"LEFT","approach":"SLOW_LADDER","client":{"status":"GENERAL","massKg":70,
             "heightCm":170},"setting":{"range":1.0,"holdS":5,"reps":8,"helpers":[]},
             "seen":[{"sign":"DOME_FIRM","severity":"CLEAR","side":null,"rep":3,"second":null}],
             "soFar":[{"rep":1,"signs":[]},{"rep":2,"signs":[{"sign":"BREATH_HELD","severity":"SLIGHT"}],"move":"CUE"}],
             "history":[{"sign":"HIP_GRIP","lever":"SLOWER","cleared":true}],
             "earlierSessions":[{"date":"2031-05-01","signs":["HEAVY"]}],"licence":"COACH"}""";
    private static final String PROGRESS = """
            {"op":"progress","rung":"F2","side":"LEFT","dose":{"sets":1,"reps":10,"perDay":1,"daysPerWeek":5},
             "approach":"SLOW_LADDER","log":[{"date":"2031-05-01","result":"CLEAN","effort":3,"nextDay":[]},
             {"date":"2031-05-03","result":"CLEAN","effort":4,"nextDay":[]}],"today":"2031-05-04",
             "recheckDue":"2031-06-01"}""";

    private static final String PLAN = """
            {"op":"plan","today":"2031-06-30","client":{"status":"POSTNATAL","birthDate":"2031-03-20",
             "birthMode":"VAGINAL","tearDegree":0,"clearances":[{"scope":"EXERCISE","date":"2031-05-02",
             "byRole":"PHYSICIAN"}],"heightCm":168,"massKg":71},"answers":[],"approach":"SLOW_LADDER",
             "checks":{"cough":"PUSHES_OUT","setGrade":{"left":3,"right":3},"toleranceBreaths":2,
             "breathPattern":"CHEST_UP","floatScore":{"left":3,"right":2},"scoop":"PARTLY",
             "contactsLost":{"left":[],"right":["SACRUM"]},"doming":"SOFT","lumbarGap":"FIST","ribs":"RIBS_AHEAD",
             "readings":[{"siteCm":2,"condition":"REST","method":"FINGERS","values":[2.5]}]},
             "minutesPerDay":20,"daysPerWeek":5,"blockedDays":["SUN"]}""";
    private static final String FORECAST = PLAN.replace("\"op\":\"plan\"", "\"op\":\"forecast\"")
            .replace("\"cough\":\"PUSHES_OUT\"", "\"cough\":\"DRAWS_IN\"")
            .replace("\"toleranceBreaths\":2", "\"toleranceBreaths\":6")
            .replace(
                    "\"minutesPerDay\"",
                    "\"seed\":7,\"runs\":200,\"weeks\":26,\"adherence\":{\"done\":18,\"planned\":24},\"goal\":\"CAR_SEAT\",\"minutesPerDay\"");

    private static final SchemaRegistry SCHEMAS = SchemaRegistry.withDefaultDialect(
            SpecificationVersion.DRAFT_2020_12,
            builder -> builder.schemaIdResolvers(
                    ids -> ids.mapPrefix("https://fernstep.example/schema/", "classpath:fernstep/schema/")));

    private static JsonNode answer(String request) {
        Eval.Answer answer = EVAL.answer(request);
        JsonNode json = JSON.readTree(answer.json());
        JsonNode asked = JSON.readTree(request);
        if (answer.usable() && asked.has("op")) {
            String op = asked.get("op").stringValue();
            validate(op + "-request.json", request);
            validate(op + "-answer.json", answer.json());
        } else if (!answer.usable()) {
            validate("error.json", answer.json());
        }
        return json;
    }

    private static void validate(String schema, String json) {
        Schema compiled = SCHEMAS.getSchema(SchemaLocation.of("https://fernstep.example/schema/" + schema));
        assertThat(compiled.validate(json, com.networknt.schema.InputFormat.JSON))
                .as(schema)
                .isEmpty();
    }

    private static JsonNode error(String request) {
        Eval.Answer answer = EVAL.answer(request);
        assertThat(answer.usable()).isFalse();
        validate("error.json", answer.json());
        return JSON.readTree(answer.json()).get("error");
    }

    @Test
    void screen_answers_outcome_gates_and_strands() {
        JsonNode a = answer(SCREEN);
        assertThat(a.get("outcome").stringValue()).isEqualTo("ADAPT");
        assertThat(a.at("/reasons/0/code").stringValue()).isEqualTo("SCAR_TENDER");
        assertThat(a.at("/stage/daysSinceEvent").intValue()).isEqualTo(43);
        assertThat(a.at("/stage/gestation").isNull()).isTrue();
        JsonNode loaded = a.at("/gates/3");
        assertThat(loaded.get("code").stringValue()).isEqualTo("FIRST_LOADED");
        assertThat(loaded.get("open").booleanValue()).isFalse();
        assertThat(loaded.get("opensOn").stringValue()).isEqualTo("2031-05-15");
        assertThat(loaded.get("needs").toString()).isEqualTo("[\"EXERCISE\"]");
        assertThat(a.get("allowedStrands").toString()).startsWith("[\"BREATH\",\"DEEP_CORE\"");
    }

    @Test
    void separation_answers_widths_error_change_verdict_and_area() {
        JsonNode a = answer(SEPARATION);
        JsonNode first = a.at("/readings/0");
        assertThat(first.get("widthMm").doubleValue()).isEqualTo(38.5);
        // four millimetres of fingers and the rounding of half a finger of 15: √(16 + 7.5²/12) = 4.548
        assertThat(first.get("semMm").doubleValue()).isEqualTo(4.55);
        assertThat(first.get("changeMm").doubleValue()).isEqualTo(-5.0);
        // fingers against caliper 2: 1.96·√(20.6875 + 4) = 9.7386
        assertThat(first.get("smallestRealChangeMm").doubleValue()).isEqualTo(9.74);
        assertThat(first.get("change").stringValue()).isEqualTo("NO_REAL_CHANGE");
        assertThat(a.at("/readings/1").has("change")).isFalse();
        // (38.5 − 31)/38.5 = 19.48 %
        assertThat(a.at("/sites/0/closurePct").doubleValue()).isEqualTo(19.48);
        assertThat(a.at("/sites/0/verdict/limitMm").doubleValue()).isEqualTo(31.0);
        // straight edge over 20 mm: 20·(38.5 + 28.5)/2
        assertThat(a.at("/areaMm2/REST").doubleValue()).isEqualTo(670.0);
    }

    @Test
    void decide_answers_the_move_its_lever_rule_and_runner_up() {
        JsonNode a = answer(DECIDE);
        assertThat(a.get("move").stringValue()).isEqualTo("EASE");
        assertThat(a.get("lever").stringValue()).isEqualTo("BEND_KNEE");
        assertThat(a.get("rule").stringValue()).isEqualTo("R4");
        assertThat(a.get("to").intValue()).as("degrees the knees bend more").isEqualTo(30);
        assertThat(a.get("loadChangePct").doubleValue()).isLessThanOrEqualTo(-3);
        assertThat(a.at("/runnerUp/reason").stringValue()).contains("lowers the load by");
    }

    @Test
    void decide_tells_what_became_of_every_rule_when_asked() {
        assertThat(answer(DECIDE).has("trail")).isFalse();
        JsonNode trail = answer(DECIDE.replaceFirst("\\{", "{\"trail\":true,")).get("trail");
        assertThat(trail).hasSize(13);
        assertThat(trail.at("/0/outcome").stringValue()).isEqualTo("DID_NOT_APPLY");
        assertThat(trail.at("/0/why").stringValue()).isEqualTo("No emergency was called out.");
        assertThat(trail.at("/3/rule").stringValue()).isEqualTo("R4");
        assertThat(trail.at("/3/outcome").stringValue()).isEqualTo("CHOSEN");
        assertThat(trail.at("/3/move").stringValue()).isEqualTo("EASE");
        assertThat(trail.at("/6/why").stringValue()).isEqualTo("Not seen: Breath held.");
    }

    @Test
    void decide_takes_an_emergency_as_a_sign() {
        JsonNode a = answer(DECIDE.replace("\"DOME_FIRM\"", "\"CHEST_PAIN\""));
        assertThat(a.get("move").stringValue()).isEqualTo("REFER_NOW");
        assertThat(a.get("reason").stringValue()).contains("Chest pain");
    }

    @Test
    void decide_names_the_rung_to_step_back_to() {
        JsonNode a = answer(
                DECIDE.replace(
                        "\"move\":\"CUE\"}]",
                        "\"move\":\"CUE\"},{\"rep\":2,\"signs\":[\"DOME_FIRM\"],\"move\":\"EASE\",\"lever\":\"RAISE_RANGE\"}]"));
        assertThat(a.get("move").stringValue()).isEqualTo("STEP_BACK");
        assertThat(a.get("from").stringValue()).isEqualTo("F4");
        assertThat(a.get("to").stringValue()).isEqualTo("F3");
    }

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

    @Test
    void progress_answers_credits_change_and_dose() {
        JsonNode a = answer(PROGRESS);
        assertThat(a.get("credits").intValue()).isEqualTo(2);
        assertThat(a.get("change").stringValue()).isEqualTo("NOTCH_UP");
        assertThat(a.at("/dose/reps").intValue()).isEqualTo(12);
        assertThat(a.get("waitingFor").isEmpty()).isTrue();
    }

    @Test
    void progress_takes_a_window_of_the_practitioners_own() {
        JsonNode a =
                answer(PROGRESS.replace("\"approach\"", "\"window\":{\"sets\":[1,1],\"reps\":[6,10]},\"approach\""));
        assertThat(a.get("change").stringValue()).isEqualTo("NEXT_RUNG");
        assertThat(a.get("rung").stringValue()).isEqualTo("F3");
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

    private static JsonNode item(JsonNode plan, String rung) {
        for (JsonNode i : plan.get("items")) {
            if (i.get("rung").stringValue().equals(rung)) {
                return i;
            }
        }
        throw new AssertionError(rung + " is not in " + plan.get("items"));
    }

    private static List<String> rungs(JsonNode plan, String strandPrefix) {
        List<String> rungs = new ArrayList<>();
        plan.get("items").forEach(i -> {
            String code = i.get("rung").stringValue();
            if (code.startsWith(strandPrefix)) {
                rungs.add(code
                        + (i.get("side").isNull() ? "" : " " + i.get("side").stringValue()));
            }
        });
        return rungs;
    }

    @Test
    void plan_starts_where_the_findings_say_and_says_why() {
        JsonNode a = answer(PLAN);
        assertThat(a.get("screening").get("outcome").stringValue()).isEqualTo("GO");
        JsonNode first = a.get("items").get(0);
        assertThat(first.get("rung").stringValue()).isEqualTo("BR1");
        assertThat(first.get("why").stringValue())
                .endsWith("The cough pushes out: breath first, whatever else was found.");
        assertThat(rungs(a, "F"))
                .as("a reversed cough: nothing above the first float")
                .containsExactlyInAnyOrder("F1 LEFT", "F1 RIGHT");
        assertThat(rungs(a, "PC")).as("ribs ahead, whatever the gap").containsExactly("PC6");
        assertThat(a.get("leftOut").toString())
                .as("the fist under the low back waits for breath and engagement")
                .contains("PELVIC_CONTROL");
        assertThat(a.get("minutesTotal").doubleValue()).isLessThanOrEqualTo(20);
        assertThat(a.get("proposedApproach").get("code").stringValue()).isEqualTo("BREATH_LED");
        assertThat(a.get("proposedApproach").get("alternative").stringValue()).isEqualTo("SLOW_LADDER");
        a.get("items")
                .forEach(i -> assertThat(i.get("dose").get("daysPerWeek").intValue())
                        .as("five days wanted, six free")
                        .isLessThanOrEqualTo(5));
    }

    @Test
    void plan_shows_angle_and_height_where_a_rung_has_a_range() {
        JsonNode a = answer(PLAN);
        JsonNode f1 = item(a, "F1");
        assertThat(f1.get("rangeText").stringValue())
                .as("a foot gets light: weight, not degrees")
                .endsWith("% of the foot’s weight off");
        assertThat(f1.get("angleDeg").isNull()).isTrue();
        assertThat(f1.get("firstLever").stringValue()).isEqualTo("RAISE_RANGE");
        JsonNode stronger = answer(PLAN.replace("\"cough\":\"PUSHES_OUT\"", "\"cough\":\"DRAWS_IN\"")
                .replace("\"toleranceBreaths\":2", "\"toleranceBreaths\":6"));
        JsonNode f2 = item(stronger, "F2");
        assertThat(f2.get("angleDeg").isNumber()).isTrue();
        assertThat(f2.get("heelHeightCm").isNumber()).isTrue();
        assertThat(f2.get("rangeText").stringValue()).matches("knee \\d+°, heel \\d+ cm");
    }

    @Test
    void plan_keeps_to_where_she_stands_already() {
        JsonNode a = answer(
                PLAN.replace("\"cough\":\"PUSHES_OUT\"", "\"cough\":\"DRAWS_IN\"")
                        .replace("\"toleranceBreaths\":2", "\"toleranceBreaths\":6")
                        .replace(
                                "\"minutesPerDay\":20",
                                "\"places\":[{\"rung\":\"BR2\",\"dose\":{\"sets\":1,\"breaths\":6,\"perDay\":1,\"daysPerWeek\":5}}],\"minutesPerDay\":60"));
        JsonNode breath = a.get("items").get(0);
        assertThat(breath.get("rung").stringValue()).isEqualTo("BR2");
        assertThat(breath.get("dose").get("breaths").intValue()).isEqualTo(6);
        assertThat(breath.get("why").stringValue()).endsWith("Where her log has brought her.");
    }

    @Test
    void forecast_gives_dates_a_goal_its_bottleneck_and_what_would_help() {
        JsonNode a = answer(FORECAST);
        assertThat(a.get("rungs").size()).isGreaterThan(10);
        for (JsonNode r : a.get("rungs")) {
            if (!r.get("p50").isNull()) {
                assertThat(r.get("p10").stringValue())
                        .isLessThanOrEqualTo(r.get("p50").stringValue());
            }
        }
        assertThat(a.get("goalBy").get("chance").doubleValue()).isBetween(0.0, 1.0);
        assertThat(a.get("bottleneck").get("strand").stringValue()).isIn("DEEP_CORE", "UPRIGHT");
        assertThat(a.get("whatIf").size()).isEqualTo(2);
        assertThat(answer(FORECAST)).as("the same seed").isEqualTo(a);
        assertThat(answer(FORECAST.replace("\"seed\":7", "\"seed\":8"))).isNotEqualTo(a);
    }

    @Test
    void forecast_without_a_goal_has_none_to_answer_for() {
        JsonNode a = answer(FORECAST.replace("\"goal\":\"CAR_SEAT\",", ""));
        assertThat(a.get("goalBy").isNull()).isTrue();
        assertThat(a.get("bottleneck").isNull()).isTrue();
        assertThat(a.get("whatIf").isEmpty()).isTrue();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            "minutesPerDay":20 | "minutesPerDay":200 | minutesPerDay
            "blockedDays":["SUN"] | "blockedDays":["FUNDAY"] | blockedDays[0]
            "blockedDays":["SUN"] | "blockedDays":["MON","TUE","WED","THU","FRI","SAT","SUN"] | blockedDays
            "setGrade":{"left":3 | "setGrade":{"left":9 | checks.setGrade.left
            "doming":"SOFT" | "doming":"A_BIT" | checks.doming
            "right":["SACRUM"] | "right":["KNEE"] | checks.contactsLost.right[0]
            "planned":24 | "planned":12 | adherence.planned
            "goal":"CAR_SEAT" | "goal":"THE_MOON" | goal
            "goal":"CAR_SEAT" | "goal":"CAR_SEAT","goalDate":"2031-06-30" | goalDate
            "weeks":26 | "weeks":0 | weeks
            "seed":7 | "sneed":7 | sneed
            "daysPerWeek":5 | "daysPerWeek":5,"size":1 | size
            "daysPerWeek":5 | "daysPerWeek":5,"size":11 | size
            "toleranceBreaths":2 | "toleranceBreaths":2,"longestHoldS":{"left":-1,"right":5} | checks.longestHoldS.left
            """)
    void plan_and_forecast_refuse_what_cannot_be(String part, String broken, String path) {
        String base = FORECAST.contains(part) ? FORECAST : PLAN;
        JsonNode e = error(base.replace(part, broken));
        assertThat(e.get("path").stringValue()).isEqualTo(path);
        assertThat(e.get("allowed").stringValue()).isNotEmpty();
    }

    @Test
    void a_log_that_reaches_into_the_future_is_refused() {
        JsonNode e = error(
                PLAN.replace(
                        "\"minutesPerDay\":20",
                        "\"log\":[{\"rung\":\"F1\",\"side\":\"LEFT\",\"date\":\"2031-07-01\",\"result\":\"CLEAN\"}],\"minutesPerDay\":20"));
        assertThat(e.get("path").stringValue()).isEqualTo("log[0].date");
    }

    @Test
    void a_hold_of_nothing_is_a_hold_not_shown() {
        JsonNode a = answer(PLAN.replace(
                "\"toleranceBreaths\":2", "\"toleranceBreaths\":2,\"longestHoldS\":{\"left\":0,\"right\":0}"));
        a.get("items").forEach(i -> {
            if (i.get("dose").get("holdS").isNumber()) {
                assertThat(i.get("dose").get("holdS").intValue())
                        .as(i.get("rung").stringValue())
                        .isBetween(1, 5);
            }
        });
    }

    @Test
    void a_plan_says_its_roles_its_days_and_what_it_left_out() {
        JsonNode a = answer(PLAN.replace("\"daysPerWeek\":5", "\"daysPerWeek\":5,\"size\":3"));
        assertThat(a.get("items"))
                .allSatisfy(i ->
                        assertThat(i.get("role").stringValue()).isIn("SETTLE_IN", "FOUNDATION", "WORK", "CARRY_OVER"));
        assertThat(a.get("days").get(0).get("day").stringValue()).isEqualTo("A");
        assertThat(a.get("leftOut").isEmpty()).isFalse();
        assertThat(a.get("leftOut"))
                .allSatisfy(l -> assertThat(l.get("reason").stringValue()).isNotBlank());
    }

    @Test
    void one_bad_request_of_many_leaves_the_others_answered() {
        JsonNode a = answer("{\"requests\":[" + SCREEN + ",{\"op\":\"screen\"}," + PROGRESS + "]}")
                .get("answers");
        assertThat(a.get(0).has("outcome")).isTrue();
        assertThat(a.at("/1/error/path").stringValue()).isEqualTo("requests[1].today");
        assertThat(a.get(2).get("change").stringValue()).isEqualTo("NOTCH_UP");
    }

    @Nested
    class A_request_that_cannot_be_used {
        @ParameterizedTest
        @CsvSource(
                delimiter = '|',
                value = {
                    "\"massKg\":71|\"massKg\":300|client.massKg|from 25 to 250 kg",
                    "\"heightCm\":168|\"heightCm\":90|client.heightCm|from 120 to 220 cm",
                    "\"age\":33|\"age\":33,\"shoe\":41|client.shoe|",
                    "\"2031-03-20\"|\"2031-06-20\"|client.birthDate|up to 2031-05-02",
                    "\"CAESAREAN\"|\"OTHER\"|client.birthMode|VAGINAL, ASSISTED, CAESAREAN",
                    "[\"SCAR_TENDER\"]|[\"SCAR_TENDER\",\"HEADACHE\"]|answers[1]|",
                    "\"2031-05-02\"|\"2 May 2031\"|today|a date as YYYY-MM-DD",
                    "\"QUIET_START\"|\"LOUD_START\"|approach|QUIET_START, BREATH_LED, SLOW_LADDER, GRADED_LOAD",
                    "\"status\":\"POSTNATAL\"|\"status\":\"PREGNANT\",\"dueDate\":\"2032-03-01\"|client.dueDate|from 2031-04-04 to 2032-02-26"
                })
        void names_the_path_and_what_is_allowed(String part, String broken, String path, String allowed) {
            JsonNode e = error(SCREEN.replace(part, broken));
            assertThat(e.get("path").stringValue()).isEqualTo(path);
            if (allowed != null) {
                assertThat(e.get("allowed").stringValue()).isEqualTo(allowed);
            }
        }

        @ParameterizedTest
        @CsvSource(
                delimiter = '|',
                value = {
                    "[2.5]|[12]|readings[0].values[0]",
                    "[2.5]|[2.3]|readings[0].values",
                    "[28.5]|[-1]|readings[2].values[0]",
                    "\"siteCm\":0|\"siteCm\":21|readings[2].siteCm",
                    "[16,31,46,60]|[16,31,46]|calibrationMm",
                    "\"HEAD_LIFT\"|\"REST\"|readings"
                })
        void refuses_impossible_readings(String part, String broken, String path) {
            assertThat(error(SEPARATION.replace(part, broken)).get("path").stringValue())
                    .isEqualTo(path);
        }

        @Test
        void is_told_where_it_stops_being_json() {
            assertThat(error("{\"op\":").get("message").stringValue()).contains("line 1");
            assertThat(error("[]").get("path").stringValue()).isEmpty();
            assertThat(error("").get("message").stringValue()).isNotEmpty();
        }

        @Test
        void names_the_rungs_there_are() {
            JsonNode e = error(DECIDE.replace("\"F4\"", "\"F44\""));
            assertThat(e.get("path").stringValue()).isEqualTo("rung");
            assertThat(e.get("allowed").stringValue()).contains("BR1").contains("F9");
        }
    }
}
