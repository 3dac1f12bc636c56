package fernstep.app.letters;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
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
import fernstep.app.check.CheckMapper;
import fernstep.app.check.FindingRow;
import fernstep.app.contact.Contact;
import fernstep.app.contact.Contacts;
import fernstep.core.approach.Approach;
import fernstep.core.findings.Finding;
import fernstep.core.screening.Answer;
import java.io.IOException;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Letters: begun from the record, edited, kept version by version, printed. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class LettersTest {
    private static final long IMOGEN = 1;

    private final Running app;
    private final Visits visits;
    private final Contacts contacts;

    LettersTest(Running app, Visits visits, Contacts contacts) {
        this.app = app;
        this.visits = visits;
        this.contacts = contacts;
    }

    private long somebody() {
        long client = Someone.firm(app.context(), "Letter Person", Approach.SLOW_LADDER, 14);
        long visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        CheckMapper check = app.context().getBean(CheckMapper.class);
        check.putFinding(new FindingRow(visit, Finding.TOLERANCE_BREATHS, "", "3"));
        check.putFinding(new FindingRow(visit, Finding.SET_GRADE, "LEFT", "4"));
        return client;
    }

    private static String textOf(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
        }
    }

    private Page begun(Visitor visitor, long client, String kind) {
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client + "/letters");
        page.click("button[value=" + kind + "]");
        page.waitForURL("**/letters/*");
        return page;
    }

    @Test
    void a_referral_letter_says_findings_with_what_is_real_what_changed_and_the_plan(Visitor visitor)
            throws IOException {
        long client = somebody();
        Page page = begun(visitor, client, "REFERRAL");
        String text = page.locator("#body").inputValue();
        assertThat(text)
                .contains("# Findings")
                .contains("Breaths with the engagement held: 3 (a real change is more than")
                .contains("Breaths with the engagement held went from 8 to 3")
                .contains("# Plan")
                .contains("Slow Ladder")
                .contains("Trained on 0 of 20 planned days in the past 4 weeks.")
                .contains("Imogen Vale");
        visitor.checkAccessible();
        assertThat(page.locator(".letter-paper h3").first()).not().containsText("#");
        assertThat(page.locator(".letter-item").first()).not().containsText("- ");
        page.click("summary:text-is('Edit the text')");
        page.fill("#addressee", "Practice for women, ward 3");
        page.fill(
                "#body", text.replace("(Write your questions here, or delete this heading.)", "May she carry 10 kg?"));
        page.click("text=Save as a new version");
        visitor.see("Saved as a new version.");
        assertThat(page.locator(".letter-versions li")).hasCount(2);
        String letter = textOf(page.request().get(page.url() + "/letter.pdf").body());
        assertThat(letter)
                .contains("Practice for women, ward 3")
                .contains("May she carry 10 kg?")
                .contains("• ");
        page.click(".letter-versions li:last-child a");
        assertThat(page.locator("#body")).hasAttribute("readonly", "readonly");
        assertThat(page.locator("#body")).hasValue(Pattern.compile("Write your questions here"));
        visitor.checkAccessible();
    }

    @Test
    void two_who_write_at_once_are_told_and_neither_text_is_lost(Visitor visitor) {
        long client = somebody();
        Page page = begun(visitor, client, "DISCHARGE");
        String csrf = page.locator("meta[name=csrf]").getAttribute("content");
        APIResponse other = page.request()
                .post(
                        page.url(),
                        RequestOptions.create()
                                .setHeader("X-CSRF-TOKEN", csrf)
                                .setHeader("Content-Type", "application/x-www-form-urlencoded")
                                .setData("version=1&body=Written+by+the+other"));
        assertThat(other.ok()).isTrue();
        assertThat(page.request()
                        .post(
                                page.url(),
                                RequestOptions.create()
                                        .setHeader("X-CSRF-TOKEN", csrf)
                                        .setHeader("Content-Type", "application/x-www-form-urlencoded")
                                        .setData("version=1&body=Written+by+the+other"))
                        .text())
                .as("the very same once more is kept already")
                .contains("Saved as a new version.");
        page.click("summary:text-is('Edit the text')");
        page.fill("#body", "Written by me");
        page.click("text=Save as a new version");
        assertThat(page.locator(".note-stop")).containsText("Meanwhile Imogen Vale wrote version 2");
        assertThat(page.locator("#body")).hasValue("Written by me");
        page.click("text=Save as a new version");
        visitor.see("Saved as a new version.");
        assertThat(page.locator(".letter-versions li")).hasCount(3);
    }

    @Test
    void what_we_found_is_in_her_language_with_numbers_on_one_page(Visitor visitor) throws IOException {
        long client = somebody();
        contacts.put(new Contact(client, "es", Contact.Units.METRIC, "", false));
        Page page = begun(visitor, client, "WHAT_WE_FOUND");
        assertThat(page.locator("#body").inputValue())
                .contains("Hola, Letter:")
                .contains("Ha retrocedido: Respiraciones con la activación.")
                .contains("Para enseguida y pide ayuda si hay:");
        byte[] pdf = page.request().get(page.url() + "/letter.pdf").body();
        assertThat(textOf(pdf)).contains("Lo que encontramos");
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
        }
    }

    @Test
    void an_emergency_sheet_takes_one_press_and_another_clients_letter_is_not_there(Visitor visitor)
            throws IOException {
        long client = somebody();
        visits.answer(visits.openToday(client, IMOGEN).id(), Answer.CALF, true, IMOGEN, "");
        Page page = visitor.onATablet("imogen");
        visitor.open("/clients/" + client);
        String csrf = page.locator("meta[name=csrf]").getAttribute("content");
        assertThat(page.locator("button[form=emergency-sheet]")).isVisible();
        APIResponse sheet = page.request()
                .post(
                        app.baseUrl() + "/clients/" + client + "/letters",
                        RequestOptions.create()
                                .setHeader("X-CSRF-TOKEN", csrf)
                                .setHeader("Content-Type", "application/x-www-form-urlencoded")
                                .setData("kind=EMERGENCY"));
        assertThat(sheet.headers()).containsEntry("content-type", "application/pdf");
        assertThat(textOf(sheet.body()))
                .contains("Emergency referral sheet")
                .contains("Letter Person")
                .contains("Pain or swelling in one calf")
                .contains("Doctor out of hours: 555 0170", "to Imogen Vale)", "No session.");
        String letter = sheet.url().replaceAll(".*/letters/(\\d+)/.*", "$1");
        long other = Someone.plain(app.context(), "Not Hers", Approach.SLOW_LADDER, 14);
        APIResponse foreign = page.request().get(app.baseUrl() + "/clients/" + other + "/letters/" + letter);
        assertThat(foreign.status()).isEqualTo(404);
    }
}
