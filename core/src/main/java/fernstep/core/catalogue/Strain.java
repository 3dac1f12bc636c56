package fernstep.core.catalogue;

/** What a rung asks of the body beyond its load: a complaint of the day may rule it out. */
public enum Strain {
    /** One leg carries or moves alone: the pelvis has to hold against it. */
    ONE_LEG,
    /** Legs or trunk far from where they are held. */
    LONG_LEVER
}
