package fernstep.app.support;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.springframework.stereotype.Service;

/** Pages as PDF: from well-formed markup, with the app's own font embedded, and figures that stay clear in black and white. */
@Service
public class PdfPages {
    private static final String FAMILY = "Fern Step Text";
    private static final int REGULAR = 400;
    private static final int BOLD = 700;
    private static final float NUMBER_PT = 11;
    private static final float NUMBER_FROM_RIGHT_PT = 72;
    private static final float NUMBER_FROM_FOOT_PT = 24;
    /** What the style sheet of the pages calls a colour, in greys that a printer without colour keeps apart. */
    private static final Map<String, String> GREYS = Map.ofEntries(
            Map.entry("--ink", "#000000"),
            Map.entry("--ink-soft", "#444444"),
            Map.entry("--moss", "#333333"),
            Map.entry("--moss-soft", "#ffffff"),
            Map.entry("--clay", "#222222"),
            Map.entry("--clay-soft", "#dddddd"),
            Map.entry("--amber", "#333333"),
            Map.entry("--sheet", "#ffffff"),
            Map.entry("--sheet-2", "#eeeeee"),
            Map.entry("--line", "#aaaaaa"),
            Map.entry("--line-strong", "#777777"),
            Map.entry("--figure-ink", "#000000"),
            Map.entry("--figure-skin", "#ffffff"),
            Map.entry("--figure-skin-far", "#e4e4e4"),
            Map.entry("--figure-hair", "#2e2e2e"),
            Map.entry("--figure-legging", "#8c8c8c"),
            Map.entry("--figure-legging-far", "#5c5c5c"),
            Map.entry("--figure-top", "#d0d0d0"),
            Map.entry("--figure-top-far", "#a8a8a8"),
            Map.entry("--figure-mat", "#f4f4f4"),
            Map.entry("--figure-mat-edge", "#c4c4c4"),
            Map.entry("--figure-thing", "#e6e6e6"),
            Map.entry("--figure-thing-edge", "#9a9a9a"),
            Map.entry("--figure-ghost", "#ececec"),
            Map.entry("--figure-sign", "#000000"));

    private final String figureStyle;

    PdfPages() {
        XRLog.setLoggingEnabled(false);
        this.figureStyle = readFigureStyle();
    }

    /** The sheet it is printed on. */
    public enum Paper {
        A4("210mm 297mm"),
        LETTER("8.5in 11in");

        private final String size;

        Paper(String size) {
            this.size = size;
        }

        /** Its size and margins, as a style sheet says it. */
        public String rule() {
            return "@page { size: " + size + "; margin: 16mm 15mm 16mm; }";
        }
    }

    private static String readFigureStyle() {
        String all = text("/static/fern.css");
        Matcher rules = Pattern.compile("\\.figure ((?:path|text|\\.f-[a-z-]+|,|\\s|\\.figure)+)\\{([^}]*)}")
                .matcher(all);
        StringBuilder style = new StringBuilder();
        while (rules.find()) {
            style.append(rules.group(1).replace(".figure ", ""))
                    .append('{')
                    .append(grey(rules.group(2)))
                    .append("}\n");
        }
        return style.toString();
    }

    private static String grey(String declarations) {
        Matcher names = Pattern.compile("var\\((--[a-z0-9-]+)\\)").matcher(declarations);
        return names.replaceAll(match -> GREYS.getOrDefault(match.group(1), "#000000"));
    }

    /** The rules of the pages for figures, in greys, to stand inside a drawing. */
    public String figureStyle() {
        return figureStyle;
    }

    /** @param markup well-formed XHTML with its own styles */
    public byte[] pdf(String markup) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (BatikSVGDrawer drawings = new BatikSVGDrawer()) {
            new PdfRendererBuilder()
                    .useFastMode()
                    .useSVGDrawer(drawings)
                    .useFont(() -> font("Regular"), FAMILY, REGULAR, FontStyle.NORMAL, true)
                    .useFont(() -> font("Bold"), FAMILY, BOLD, FontStyle.NORMAL, true)
                    .withHtmlContent(PlainText.markup(markup).replaceFirst("(?i)^\\s*<!doctype[^>]*>\\s*", ""), null)
                    .toStream(bytes)
                    .run();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return numbered(bytes.toByteArray());
    }

    /** "2 / 5" at the foot of each page, in the size of the text; a page of one has none. */
    private static byte[] numbered(byte[] pdf) {
        try (PDDocument document = Loader.loadPDF(pdf);
                InputStream face = font("Regular")) {
            int pages = document.getNumberOfPages();
            if (pages < 2) {
                return pdf;
            }
            PDType0Font font = PDType0Font.load(document, face);
            for (int n = 0; n < pages; n++) {
                PDPage page = document.getPage(n);
                try (PDPageContentStream on =
                        new PDPageContentStream(document, page, PDPageContentStream.AppendMode.APPEND, true, true)) {
                    on.beginText();
                    on.setFont(font, NUMBER_PT);
                    on.newLineAtOffset(page.getMediaBox().getWidth() - NUMBER_FROM_RIGHT_PT, NUMBER_FROM_FOOT_PT);
                    on.showText((n + 1) + " / " + pages);
                    on.endText();
                }
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static InputStream font(String weight) {
        return open("/fernstep/app/support/fonts/FernStepText-" + weight + ".ttf");
    }

    private static InputStream open(String name) {
        InputStream in = PdfPages.class.getResourceAsStream(name);
        if (in == null) {
            throw new IllegalStateException(name + " is missing");
        }
        return in;
    }

    private static String text(String name) {
        try (InputStream in = open(name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().collect(Collectors.joining("\n"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
