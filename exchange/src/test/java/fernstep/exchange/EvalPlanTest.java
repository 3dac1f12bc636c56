package fernstep.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** The evaluation of plans and forecasts. */
class EvalPlanTest extends EvalAsked {
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
        plan.get("items").forEach(node -> {
            String code = node.get("rung").stringValue();
            if (code.startsWith(strandPrefix)) {
                rungs.add(code
                        + (node.get("side").isNull()
                                ? ""
                                : " " + node.get("side").stringValue()));
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
                .endsWith("The cough pushes out. Breathing first, whatever else was found.");
        assertThat(rungs(a, "F"))
                .as("a reversed cough: nothing above the first float")
                .containsExactlyInAnyOrder("F1 LEFT", "F1 RIGHT");
        assertThat(rungs(a, "PC")).as("the fist under the low back is taught").containsExactly("PC1");
        assertThat(a.get("habits").toString())
                .as("ribs ahead: through the day, without minutes")
                .contains("PC6");
        assertThat(a.get("minutesTotal").doubleValue()).isLessThanOrEqualTo(20);
        assertThat(a.get("proposedApproach").get("code").stringValue()).isEqualTo("BREATH_LED");
        assertThat(a.get("proposedApproach").get("alternative").stringValue()).isEqualTo("SLOW_LADDER");
        a.get("items")
                .forEach(node -> assertThat(node.get("dose").get("daysPerWeek").intValue())
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
        a.get("items").forEach(node -> {
            if (node.get("dose").get("holdS").isNumber()) {
                assertThat(node.get("dose").get("holdS").intValue())
                        .as(node.get("rung").stringValue())
                        .isBetween(1, 5);
            }
        });
    }

    @Test
    void a_plan_says_its_roles_its_days_and_what_it_left_out() {
        JsonNode a = answer(PLAN.replace("\"daysPerWeek\":5", "\"daysPerWeek\":5,\"size\":3"));
        assertThat(a.get("items"))
                .allSatisfy(node -> assertThat(node.get("role").stringValue())
                        .isIn("SETTLE_IN", "FOUNDATION", "WORK", "CARRY_OVER"));
        assertThat(a.get("days").get(0).get("day").stringValue()).isEqualTo("A");
        assertThat(a.get("leftOut").isEmpty()).isFalse();
        assertThat(a.get("leftOut"))
                .allSatisfy(node -> assertThat(node.get("reason").stringValue()).isNotBlank());
    }
}
