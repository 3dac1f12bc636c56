package fernstep.app.support;

import java.util.regex.Pattern;

/** Text as it can be stored, shown and printed: word processors paste characters that no page and no paper has. */
public final class PlainText {
    /** What XML 1.0 has no place for; a line break, a tab and everything that can be seen stays. */
    private static final Pattern NOT_PRINTED = Pattern.compile(
            "[^\\x09\\x0A\\x0D\\x20-\\x{D7FF}\\x{E000}-\\x{FFFD}\\x{10000}-\\x{10FFFF}]|[\\x7F-\\x84\\x86-\\x9F]");

    private static final Pattern SOFT_BREAK = Pattern.compile("[\\x0B\\x0C\\x{2028}\\x{2029}]");

    private PlainText() {}

    /** On one line: a break from a word processor is a space. */
    public static String line(String text) {
        return NOT_PRINTED.matcher(SOFT_BREAK.matcher(text).replaceAll(" ")).replaceAll("");
    }

    /** On several lines: a break from a word processor is one. */
    public static String lines(String text) {
        return NOT_PRINTED
                .matcher(SOFT_BREAK.matcher(text.replace("\r\n", "\n")).replaceAll("\n"))
                .replaceAll("");
    }

    /** Markup that a reader of XML takes, whatever was stored before it was looked at on the way in. */
    public static String markup(String markup) {
        return NOT_PRINTED.matcher(SOFT_BREAK.matcher(markup).replaceAll(" ")).replaceAll("");
    }
}
