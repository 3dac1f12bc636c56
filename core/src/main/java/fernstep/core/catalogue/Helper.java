package fernstep.core.catalogue;

/** What may be added so that control comes easier; a rep done with one is "clean with help". */
public enum Helper {
    BALL(false),
    INNER_THIGHS(false),
    PELVIC_FLOOR_LIFT(false),
    ARMS_DOWN(false),
    HEAD_SHOULDERS(true),
    TOE_DOWN(true),
    HAND_UNDER_BACK(true),
    ROD(true);

    private final boolean support;

    Helper(boolean support) {
        this.support = support;
    }

    /** A support carries or guides her; the others are efforts added. */
    public boolean support() {
        return support;
    }
}
