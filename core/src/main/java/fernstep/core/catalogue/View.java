package fernstep.core.catalogue;

/** From where a figure shows best what is judged. */
public enum View {
    SIDE,
    /** From beyond the feet: how far knees or a leg go sideways. */
    FEET
}
