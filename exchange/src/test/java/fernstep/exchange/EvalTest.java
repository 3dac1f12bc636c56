package fernstep.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** The evaluation of screenings, separations, signs and progress, and what cannot be used. */
class EvalTest extends EvalAsked {
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

    /** Four caliper readings of 2 mm error each: what the visit shares is not divided by them. */
    @ParameterizedTest
    @CsvSource({"0, 1.0", "1, 2.0", "0.5, 1.58"})
    void separation_divides_by_repeats_only_what_a_visit_does_not_share(double visitShare, double errorMm) {
        String four = """
                {"op":"separation","calibrationMm":[16,31,46,60],"gapStance":"WIDTH_BY_SITE",
                 "stage":"POSTNATAL_AFTER_6_WEEKS","visitShare":{"CALIPER":%s},"readings":[
                  {"siteCm":0,"condition":"REST","method":"CALIPER","values":[28,29,28,29]}]}""".formatted(visitShare);
        assertThat(answer(four).at("/readings/0/semMm").doubleValue()).isEqualTo(errorMm);
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
    void decide_coaches_getting_up_in_a_whole_sentence() {
        JsonNode a = answer(DECIDE.replace("\"rung\":\"F4\"", "\"rung\":\"UP1\""));
        assertThat(a.get("move").stringValue()).isEqualTo("CUE");
        assertThat(a.get("reason").stringValue())
                .isEqualTo("Getting up is coached, never stopped halfway: help her up, then let her rest.");
    }

    @Test
    void decide_names_the_rung_to_step_back_to() {
        JsonNode a = answer(
                DECIDE.replace(
                        "\"move\":\"CUE\"}]",
                        "\"move\":\"CUE\"},{\"rep\":2,\"signs\":[\"DOME_FIRM\"],\"move\":\"EASE\",\"lever\":\"RAISE_RANGE\"}]"));
        assertThat(a.get("move").stringValue()).isEqualTo("STEP_BACK");
        assertThat(a.get("from").stringValue()).isEqualTo("F4");
        assertThat(a.get("to").stringValue()).isIn("F4", "F3", "F2", "F1");
        assertThat(a.get("loadChangePct").doubleValue()).isLessThanOrEqualTo(-10);
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
