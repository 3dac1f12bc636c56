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
import fernstep.core.approach.Approach;
import fernstep.core.client.Status;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
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

    HandoutTest(Running app, Visits visits, Plans plans) {
        this.app = app;
        this.visits = visits;
        this.plans = plans;
    }

    /** Lines drawn, on the page itself and in the drawings it places. */
    private static long strokes(PDContentStream content) throws IOException {
        long count = new PDFStreamParser(content)
                .parse().stream()
                        .filter(t -> t instanceof Operator o
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
            APIResponse answer =
                    page.request().get(app.baseUrl() + "/clients/" + client + "/handout.pdf?paper=" + paper);
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
                assertThat(desk.plan().items()).hasSizeGreaterThan(3).allSatisfy(i -> {
                    assertThat(text).contains(i.rung().name());
                    assertThat(text).contains(i.rung().caution());
                });
                assertThat(sizes).allSatisfy(s -> assertThat(s).isGreaterThanOrEqualTo(SMALLEST_PT));
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
            assertThat(new PDFTextStripper().getText(pdf).toLowerCase(java.util.Locale.ROOT))
                    .contains("chest pain")
                    .doesNotContain("waters")
                    .doesNotContain("movement of the baby");
        }
        assertThat(visits.byId(visit).client().row().status()).isEqualTo(Status.GENERAL);
        visits.answer(visit, fernstep.core.screening.Answer.CHEST_PAIN, true, IMOGEN, "");
        assertThat(page.request().get(url).headers().get("content-type")).doesNotContain("pdf");
    }
}
