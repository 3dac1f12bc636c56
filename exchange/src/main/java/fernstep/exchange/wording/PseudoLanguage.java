package fernstep.exchange.wording;

/** A made-up language: English between brackets and about a third longer. */
final class PseudoLanguage {
    private static final String FILL = "\u00e9\u00f1";
    private static final double LONGER_BY = 0.3;

    private PseudoLanguage() {}

    /** Of a pattern, whose places for facts stay as they are. */
    static String longer(String pattern) {
        int letters = pattern.replaceAll("\\{[^}]*\\}", "").length();
        int more = (int) Math.ceil(letters * LONGER_BY / FILL.length());
        return "[" + pattern + " " + FILL.repeat(Math.max(1, more)) + "]";
    }
}
