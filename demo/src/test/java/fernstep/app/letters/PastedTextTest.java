package fernstep.app.letters;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.RequestOptions;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.ask.Visits;
import fernstep.app.support.PlainText;
import fernstep.core.approach.Approach;
import fernstep.core.screening.Answer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.JdbcTemplate;

/** Characters that word processors paste and no paper has break no sheet, not even where they are stored already. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class PastedTextTest {
    private static final String VERTICAL_TAB = "\u000b";

    @Test
    void a_break_of_a_word_processor_is_a_space_in_a_line_and_a_break_in_a_letter() {
        assertThat(PlainText.line("Ann" + VERTICAL_TAB + "Vale\u0000")).isEqualTo("Ann Vale");
        assertThat(PlainText.lines("one" + VERTICAL_TAB + "two\r\nthree\u0007")).isEqualTo("one\ntwo\nthree");
        assertThat(PlainText.line("Žofie 38 °C – ≥ 4")).isEqualTo("Žofie 38 °C – ≥ 4");
    }

    @Test
    void the_emergency_sheet_of_a_name_stored_with_one_is_printed(
            Running app, Visits visits, JdbcTemplate sql, Visitor visitor) {
        long client = Someone.firm(app.context(), "Pasted Person", Approach.SLOW_LADDER, 20);
        sql.update("UPDATE client SET name = ? WHERE id = ?", "Pasted" + VERTICAL_TAB + "Person", client);
        visits.answer(visits.openToday(client, 1).id(), Answer.FEVER, true, 1, "");
        Page page = visitor.onTheBoard("imogen");
        APIResponse sheet = page.request()
                .post(
                        app.baseUrl() + "/clients/" + client + "/letters",
                        RequestOptions.create()
                                .setHeader("X-CSRF-TOKEN", page.getAttribute("meta[name=csrf]", "content"))
                                .setHeader("Content-Type", "application/x-www-form-urlencoded")
                                .setData("kind=EMERGENCY"));
        assertThat(sheet.status()).isEqualTo(200);
        assertThat(sheet.headers()).containsEntry("content-type", "application/pdf");
    }
}
