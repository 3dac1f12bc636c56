package fernstep.app.letters;

import java.util.List;

/** A letter as it is written, line by line: headings begin with "# ", items with "- ". */
record LetterSheet(List<String> lines) {
    void line(String text) {
        lines.add(text);
    }

    void heading(String text) {
        lines.add("");
        lines.add("# " + text);
    }

    void item(String text) {
        lines.add("- " + text);
    }
}
