package fernstep.core.progress;

/** How one leaf of a frond stands: one rung, one side. */
public enum LeafState {
    /** Not open, and a gate holds it. */
    GATED,
    /** Not reached yet; nothing but the rungs before it is in the way. */
    CURLED,
    /** In training. */
    UNFURLING,
    /** Clean, but with help. */
    HELPED,
    /** Clean at the top of its window. */
    OPEN
}
