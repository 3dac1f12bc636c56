package fernstep.app.letters;

/** What a letter is for. */
public enum LetterKind {
    /** To whoever sent her or goes on with her: findings with their error, what changed beyond it, plan, questions. */
    REFERRAL,
    /** At the end: where she began, where she stands, what she goes on with. */
    DISCHARGE,
    /** To herself, in her language, on one page. */
    WHAT_WE_FOUND,
    /** Along with her, at once. */
    EMERGENCY;

    public boolean urgent() {
        return this == EMERGENCY;
    }
}
