package fernstep.core.separation;

/** How the tissue between the bellies answers the finger. */
public enum Feel {
    SOFT,
    SPRINGY,
    TAUT
}
