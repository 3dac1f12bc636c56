package fernstep.core.catalogue;

/** Equipment a rung needs, or that a figure shows. */
public enum Prop {
    BALL,
    ROD,
    PILLOW,
    WEDGE,
    WALL,
    DOOR,
    ROLLER,
    WEIGHTS,
    CHAIR,
    STEP,
    BAG,
    BED,
    STRAW,
    /** Heavy enough to lean on. */
    TABLE
}
