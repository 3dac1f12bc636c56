package fernstep.core.separation;

/** How deep the finger sinks where nobody measures it in mm. */
public enum Depth {
    SHALLOW,
    KNUCKLE_1,
    KNUCKLE_2
}
