package fernstep.app.letters;

import java.util.List;

/** One line of a letter as it is read: a heading, an item of a list, a paragraph or the gap between two. */
public record LetterLine(Kind kind, String text) {
    /** How it stands on paper. */
    public enum Kind {
        HEADING("# "),
        ITEM("- "),
        PARAGRAPH(""),
        GAP("");

        private final String mark;

        Kind(String mark) {
            this.mark = mark;
        }
    }

    /** Of a text as it is written, in which headings begin with "# " and items with "- ". */
    static List<LetterLine> of(String written) {
        return written.lines().map(String::strip).map(LetterLine::line).toList();
    }

    private static LetterLine line(String written) {
        if (written.isEmpty()) {
            return new LetterLine(Kind.GAP, "");
        }
        for (Kind kind : List.of(Kind.HEADING, Kind.ITEM)) {
            if (written.startsWith(kind.mark)) {
                return new LetterLine(
                        kind, written.substring(kind.mark.length()).strip());
            }
        }
        return new LetterLine(Kind.PARAGRAPH, written);
    }

    public boolean heading() {
        return kind == Kind.HEADING;
    }

    public boolean item() {
        return kind == Kind.ITEM;
    }

    public boolean paragraph() {
        return kind == Kind.PARAGRAPH;
    }

    public boolean gap() {
        return kind == Kind.GAP;
    }
}
