package fernstep.app.client;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.app.support.FormProblems;
import fernstep.app.support.Languages;
import fernstep.app.support.Words;
import fernstep.core.client.Restriction;
import fernstep.exchange.casefile.CataloguePackage;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is typed about a client, field by field. */
class ClientFormTest {
    private static final Words WORDS = new Words(new Languages(false), CataloguePackage::shipped);
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 1);

    private static ClientForm form(String field, String value) {
        Map<String, String> typed = new java.util.HashMap<>(Map.of(
                "name",
                "Odile Marr",
                "status",
                "POSTNATAL",
                "birthDate",
                "2031-04-01",
                "birthMode",
                "VAGINAL",
                "tearDegree",
                "0",
                "approach",
                "SLOW_LADDER",
                "minutesPerDay",
                "12",
                "daysPerWeek",
                "5"));
        typed.put(field, value);
        return new ClientForm(
                null,
                typed.get("name"),
                typed.get("status"),
                typed.get("dueDate"),
                typed.get("birthDate"),
                typed.get("birthMode"),
                typed.get("tearDegree"),
                typed.get("surgeryDate"),
                typed.get("surgeryWhat"),
                typed.get("heightCm"),
                typed.get("massKg"),
                typed.get("age"),
                "RIGHT",
                typed.get("approach"),
                typed.get("minutesPerDay"),
                typed.get("daysPerWeek"),
                List.of("NO_FLOOR", "nonsense"),
                "");
    }

    private static Map<String, String> problems(String field, String value) {
        FormProblems problems = new FormProblems(WORDS);
        form(field, value).read(null, TODAY, problems);
        return problems.byField();
    }

    @Test
    void a_good_form_becomes_facts() {
        FormProblems problems = new FormProblems(WORDS);
        ClientForm.Read read = form("massKg", "62,5").read(null, TODAY, problems);
        assertThat(problems.any()).isFalse();
        assertThat(read.row().massKg()).as("a comma is a decimal point too").isEqualTo(62.5);
        assertThat(read.row().restrictionSet()).containsExactly(Restriction.NO_FLOOR);
        assertThat(new ClientFile(read.row(), read.events(), List.of()).facts().latestBirth())
                .hasValueSatisfying(birth -> assertThat(birth.date()).isEqualTo("2031-04-01"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "name||name|Please fill this in.",
                "massKg|24|massKg|Body mass was 24 kg; it must be from 25 to 250 kg.",
                "heightCm|221|heightCm|Height was 221 cm; it must be from 120 to 220 cm.",
                "age|33.5|age|Age needs a whole number from 12 to 100 years.",
                "birthDate|2031-06-02|birthDate|The birth is in the future; allowed: up to 2031-06-01.",
                "birthDate|1 April|birthDate|Needs a calendar day such as 2031-05-02.",
                "birthDate||birthDate|needed after a birth; allowed: a date up to 2031-06-01.",
                "birthMode||birthMode|Please choose one.",
                "tearDegree|5|tearDegree|Tear degree was 5; it must be from 0 to 4.",
                "status|GENERAL|status|GENERAL means no birth and no abdominal operation; allowed: POSTNATAL or ABDOMINAL_SURGERY.",
                "status|ABDOMINAL_SURGERY|surgeryDate|needs the operation; allowed: one or more, dated up to 2031-06-01.",
                "daysPerWeek|8|daysPerWeek|Days a week was 8; it must be from 1 to 7."
            })
    void what_cannot_be_is_named_at_its_field_with_what_is_allowed(
            String field, String value, String at, String message) {
        assertThat(problems(field, value == null ? "" : value)).containsEntry(at, message);
    }

    @Test
    void a_due_date_is_at_most_three_hundred_days_ahead() {
        FormProblems problems = new FormProblems(WORDS);
        ClientForm f = form("status", "PREGNANT");
        new ClientForm(
                        null,
                        f.name(),
                        f.status(),
                        "2032-03-28",
                        "",
                        "",
                        "0",
                        "",
                        "",
                        "",
                        "",
                        "",
                        "",
                        f.approach(),
                        "12",
                        "5",
                        List.of(),
                        "")
                .read(null, TODAY, problems);
        assertThat(problems.byField().get("dueDate")).contains("from 2031-05-04 to 2032-03-27");
    }
}
