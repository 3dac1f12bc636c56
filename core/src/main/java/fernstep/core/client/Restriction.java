package fernstep.core.client;

/** A position or load that is closed for her. */
public enum Restriction {
    NO_PRONE,
    /** Flat on the back for three minutes at a stretch at most. */
    SUPINE_LIMITED,
    /** Head and trunk raised instead of flat. */
    SUPINE_INCLINED,
    NO_KNEELING,
    NO_WRIST_LOAD,
    NO_OVERHEAD,
    NO_FLOOR,
    /** Nor is there a bed firm enough to lie on. */
    NO_FIRM_BED
}
