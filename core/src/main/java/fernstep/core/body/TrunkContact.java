package fernstep.core.body;

/** What of the trunk bears. */
public enum TrunkContact {
    NONE,
    BACK,
    SEAT,
    /** Face down: belly and pelvis. */
    FRONT,
    /** Lying on the side. */
    FLANK
}
