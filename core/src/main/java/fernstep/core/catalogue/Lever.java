package fernstep.core.catalogue;

/** What can be changed to make a rung easier. */
public enum Lever {
    RAISE_RANGE,
    BEND_KNEE,
    ONE_LIMB,
    SHORTEN_HOLD,
    FEWER_REPS,
    SLOWER,
    ADD_HELPER,
    SUPPORT,
    CHANGE_BREATH,
    CHANGE_SPINE,
    EASIER_POSITION
}
