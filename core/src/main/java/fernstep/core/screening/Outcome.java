package fernstep.core.screening;

/** What today may be, strongest first. */
public enum Outcome {
    REFER_NOW,
    ASK_FIRST,
    ADAPT,
    GO;

    /** No gate opens while one of these stands. */
    public boolean closesGates() {
        return this == REFER_NOW || this == ASK_FIRST;
    }
}
