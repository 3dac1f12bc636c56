package fernstep.app.figure;

import fernstep.app.figure.Figure.Stroke;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.CheckSection;
import fernstep.core.measure.Side;
import fernstep.exchange.casefile.CataloguePackage;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Every rung on pages to be looked at by whoever changes how bodies are drawn: {@code ./fern figures DIR}. */
public final class ContactSheets {
    private static final int TO_A_SHEET = 24;
    private static final Body USUAL = Body.of(null, null);
    private static final double WEEK_30 = 30;

    private final Path folder;
    private final List<Rung> rungs;
    private final String style;

    private ContactSheets(Path folder, Catalogue catalogue, String style) {
        this.folder = folder;
        this.rungs = catalogue.strands().stream()
                .flatMap(strand -> strand.rungs().stream())
                .toList();
        this.style = style;
    }

    /** @param args the folder, made where it is not there */
    public static void main(String[] args) throws IOException {
        Path folder = Files.createDirectories(Path.of(args[0]));
        ContactSheets sheets = new ContactSheets(folder, CataloguePackage.shipped(), style());
        for (String theme : List.of("light", "dark")) {
            sheets.write("left-" + theme, theme, Side.LEFT, USUAL);
            sheets.write("right-" + theme, theme, Side.RIGHT, USUAL);
            sheets.checks(theme);
            sheets.write("week30-" + theme, theme, Side.LEFT, USUAL.pregnant(WEEK_30));
        }
    }

    private static String style() {
        try (InputStream css = ContactSheets.class.getResourceAsStream("/static/fern.css")) {
            if (css == null) {
                throw new IllegalStateException("the style sheet is missing: build the app first");
            }
            return new String(css.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void write(String name, String theme, Side side, Body body) throws IOException {
        for (int from = 0; from < rungs.size(); from += TO_A_SHEET) {
            StringBuilder page = head(theme);
            for (Rung rung : rungs.subList(from, Math.min(rungs.size(), from + TO_A_SHEET))) {
                page.append("<div><b>")
                        .append(rung.code())
                        .append("</b>")
                        .append(svg(FigureDrawing.of(rung, body, rung.perSide() ? side : null, 1)))
                        .append("</div>");
            }
            Files.writeString(folder.resolve(name + "-" + (1 + from / TO_A_SHEET) + ".html"), page.append("</div>"));
        }
    }

    private void checks(String theme) throws IOException {
        CheckDrawing drawing = new CheckDrawing(CataloguePackage.shipped());
        StringBuilder page = head(theme);
        for (CheckSection section : CheckSection.values()) {
            page.append("<div><b>")
                    .append(section)
                    .append("</b>")
                    .append(svg(drawing.of(section)))
                    .append("</div>");
        }
        Files.writeString(folder.resolve("checks-" + theme + ".html"), page.append("</div>"));
    }

    private StringBuilder head(String theme) {
        return new StringBuilder("<!doctype html><html data-bs-theme=\"" + theme + "\"><meta charset=\"utf-8\"><style>"
                + style + "body{margin:8px;background:var(--sheet);color:var(--ink)}.all{display:grid;"
                + "grid-template-columns:repeat(4,1fr);gap:6px}.all div{border:1px solid var(--line)}"
                + ".figure{height:170px;max-height:none}</style><div class=\"all\">");
    }

    private static String svg(@Nullable Figure figure) {
        if (figure == null) {
            return "";
        }
        StringBuilder svg = new StringBuilder(
                "<svg class=\"figure\" viewBox=\"" + figure.box().asViewBox() + "\">");
        for (List<Stroke> layer : List.of(figure.scene(), figure.ghost(), figure.body())) {
            layer.forEach(stroke -> svg.append("<path class=\"f-" + stroke.kind() + "\" d=\"" + stroke.d() + "\"/>"));
        }
        figure.labels()
                .forEach(label -> svg.append(
                        "<text x=\"" + label.x() + "\" y=\"" + label.y() + "\">" + label.text() + "</text>"));
        return svg.append("</svg>").toString();
    }
}
