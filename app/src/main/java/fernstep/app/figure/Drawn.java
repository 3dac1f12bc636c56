package fernstep.app.figure;

import fernstep.app.figure.Figure.Stroke;
import fernstep.core.measure.Reason;
import java.util.List;

/**
 * A figure as a page places it.
 *
 * @param viewBox the part of the plane that holds it, cm
 * @param marks what stands inside the drawing: paths and letters, ready for a page
 * @param alt what it shows, in words
 */
public record Drawn(String viewBox, String marks, Reason alt) {
    /** How the paths of a figure are written. */
    enum Kind {
        /** At the end of its movement, its start pale behind it. */
        STILL,
        /** With the whole movement for the browser to play. */
        MOVING,
        /** The same without letters. */
        MOVING_ALONE,
        /** On paper an outline is drawn over its fill: once with it, then the fill again without. */
        PRINTED
    }

    static Drawn of(Figure figure, Kind kind) {
        StringBuilder marks = new StringBuilder();
        figure.scene().forEach(stroke -> marks.append(path(stroke, "")));
        if (kind == Kind.STILL || kind == Kind.PRINTED) {
            figure.ghost().forEach(stroke -> marks.append(path(stroke, "")));
        }
        figure.body().forEach(stroke -> {
            marks.append(path(stroke, frames(stroke, kind)));
            if (kind == Kind.PRINTED && stroke.corners() > 0) {
                marks.append(path(stroke, " style=\"stroke: none\""));
            }
        });
        if (kind == Kind.STILL || kind == Kind.MOVING) {
            letters(figure.labels(), marks);
        }
        return new Drawn(figure.box().asViewBox(), marks.toString(), figure.alt());
    }

    /** For figures that no cache keeps. */
    public static Drawn moving(Figure figure) {
        return of(figure, Kind.MOVING);
    }

    private static String frames(Stroke stroke, Kind kind) {
        boolean still =
                kind == Kind.STILL || kind == Kind.PRINTED || stroke.frames().size() == 1;
        return still ? "" : " data-frames=\"" + stroke.data() + "\" data-corners=\"" + stroke.corners() + "\"";
    }

    private static String path(Stroke stroke, String more) {
        return "<path class=\"f-" + stroke.kind() + "\" d=\"" + stroke.d() + "\"" + more + "/>";
    }

    private static void letters(List<Figure.Label> labels, StringBuilder marks) {
        labels.forEach(label -> marks.append("<text x=\"")
                .append(label.x())
                .append("\" y=\"")
                .append(label.y())
                .append("\">")
                .append(label.text())
                .append("</text>"));
    }
}
