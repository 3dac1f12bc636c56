package fernstep.app.plan;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Someone;
import fernstep.app.Visitor;
import fernstep.app.ask.Visits;
import fernstep.app.contact.Contact;
import fernstep.app.contact.Contacts;
import fernstep.core.approach.Approach;
import fernstep.core.client.Status;
import fernstep.exchange.wording.Wording;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.contentstream.PDContentStream;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdfparser.PDFStreamParser;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What she takes home, opened as its reader opens it. */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class HandoutTest {
    private static final long IMOGEN = 1;
    private static final int SMALLEST_PT = 11;
    /** A figure has more lines than a page of words with its rules and boxes. */
    private static final int LINES_OF_A_FIGURE = 12;

    private final Running app;
    private final Visits visits;
    private final Plans plans;
    private final Contacts contacts;

    HandoutTest(Running app, Visits visits, Plans plans, Contacts contacts) {
        this.contacts = contacts;
        this.app = app;
        this.visits = visits;
        this.plans = plans;
    }

    /** Lines drawn, on the page itself and in the drawings it places. */
    private static long strokes(PDContentStream content) throws IOException {
        long count = new PDFStreamParser(content)
                .parse().stream()
                        .filter(thing -> thing instanceof Operator o
                                && List.of("S", "s", "B", "b").contains(o.getName()))
                        .count();
        if (content.getResources() != null) {
            for (COSName name : content.getResources().getXObjectNames()) {
                if (content.getResources().getXObject(name) instanceof PDFormXObject drawing) {
                    count += strokes(drawing);
                }
            }
        }
        return count;
    }

    @Test
    void it_says_every_exercise_with_its_dose_and_figure_in_an_embedded_font_large_enough(Visitor visitor)
            throws IOException {
        long client = Someone.firm(app.context(), "Handout Person", Approach.SLOW_LADDER, 20);
        long visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        Page page = visitor.onATablet("imogen");
        for (String paper : List.of("A4", "LETTER")) {
            long from = System.nanoTime();
            APIResponse answer =
                    page.request().get(app.baseUrl() + "/clients/" + client + "/handout.pdf?paper=" + paper);
            System.out.printf(
                    "handout on %s after %d ms (budget 2000)%n", paper, (System.nanoTime() - from) / 1_000_000);
            assertThat(answer.status()).isEqualTo(200);
            assertThat(answer.headers().get("content-type")).isEqualTo("application/pdf");
            try (PDDocument pdf = Loader.loadPDF(answer.body())) {
                List<Float> sizes = new ArrayList<>();
                PDFTextStripper reader = new PDFTextStripper() {
                    @Override
                    protected void processTextPosition(TextPosition text) {
                        sizes.add(text.getFontSizeInPt());
                        super.processTextPosition(text);
                    }
                };
                String text = reader.getText(pdf).replaceAll("\\s+", " ");
                assertThat(text).contains("Handout Person").contains("ask Imogen Vale");
                Plans.Desk desk = plans.desk(visits.byId(visit));
                assertThat(desk.plan().items()).hasSizeGreaterThan(3).allSatisfy(item -> {
                    assertThat(text).contains(item.rung().name());
                    assertThat(text).contains(item.rung().caution());
                });
                assertThat(sizes).allSatisfy(value -> assertThat(value).isGreaterThanOrEqualTo(SMALLEST_PT));
                assertThat(pdf.getPage(0).getMediaBox().getWidth())
                        .isCloseTo(paper.equals("A4") ? 595 : 612, within1());
                assertThat(pdf.getNumberOfPages()).isBetween(2, 6);
                for (int p = 0; p < pdf.getNumberOfPages() - 1; p++) {
                    assertThat(strokes(pdf.getPage(p)))
                            .as("lines on page %d", p + 1)
                            .isGreaterThan(LINES_OF_A_FIGURE);
                }
                for (COSName name : pdf.getPage(0).getResources().getFontNames()) {
                    assertThat(pdf.getPage(0).getResources().getFont(name).isEmbedded())
                            .isTrue();
                }
            }
        }
    }

    private static org.assertj.core.data.Offset<Float> within1() {
        return org.assertj.core.data.Offset.offset(1f);
    }

    @Test
    void its_emergencies_are_those_that_can_be_hers_and_there_is_none_while_one_stands(Visitor visitor)
            throws IOException {
        long client = Someone.firm(app.context(), "Not Expecting", Approach.SLOW_LADDER, 20);
        long visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        Page page = visitor.onATablet("imogen");
        String url = app.baseUrl() + "/clients/" + client + "/handout.pdf";
        try (PDDocument pdf = Loader.loadPDF(page.request().get(url).body())) {
            assertThat(new PDFTextStripper().getText(pdf).toLowerCase(Locale.ROOT))
                    .contains("chest pain")
                    .doesNotContain("waters")
                    .doesNotContain("movement of the baby");
        }
        assertThat(visits.byId(visit).client().row().status()).isEqualTo(Status.GENERAL);
        visits.answer(visit, fernstep.core.screening.Answer.CHEST_PAIN, true, IMOGEN, "");
        assertThat(page.request().get(url).headers().get("content-type")).doesNotContain("pdf");
    }

    @Test
    void it_is_in_her_language_and_her_units_with_the_garment_where_one_is_worn(Visitor visitor) throws IOException {
        long client = Someone.firm(app.context(), "Persona Uno", Approach.SLOW_LADDER, 20);
        long visit = visits.openToday(client, IMOGEN).id();
        visits.markAsked(visit);
        contacts.put(new Contact(client, "es", Contact.Units.METRIC, "", false));
        Page page = visitor.onATablet("imogen");
        String text = text(page, client, "");
        Wording spanish = new Wording(Locale.forLanguageTag("es"));
        assertThat(text)
                .contains("Plan de Persona Uno")
                .contains("repeticiones")
                .contains("Dolor en el pecho")
                .contains("1 / ");
        plans.desk(visits.byId(visit)).plan().items().forEach(item -> {
            assertThat(text).contains(spanish.name(item.rung())).contains(spanish.caution(item.rung()));
            assertThat(text).doesNotContain(item.rung().howTo());
        });
        assertThat(text(page, client, "?language=en"))
                .contains("Plan for Persona Uno")
                .doesNotContain("repeticiones");
        contacts.put(new Contact(client, "en", Contact.Units.IMPERIAL, "", false));
        assertThat(text(page, client, "")).containsPattern("heel \\d+ in\\b").doesNotContainPattern("\\d cm");
        long mother = Someone.afterBirth(app.context(), "After Birth", 2, Approach.QUIET_START);
        visits.markAsked(visits.openToday(mother, IMOGEN).id());
        assertThat(text(page, mother, ""))
                .contains("Support garment: by day, from")
                .contains("Take it off at night");
        assertThat(text(page, client, "")).doesNotContain("Support garment");
    }

    private String text(Page page, long client, String query) throws IOException {
        byte[] bytes = page.request()
                .get(app.baseUrl() + "/clients/" + client + "/handout.pdf" + query)
                .body();
        try (PDDocument pdf = Loader.loadPDF(bytes)) {
            return new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
        }
    }
}
