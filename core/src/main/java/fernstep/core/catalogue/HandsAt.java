package fernstep.core.catalogue;

/** Where hands rest that bear nothing: an arm is led there, so that none ends in the air. */
public enum HandsAt {
    /** As the pose has them. */
    POSE,
    /** On the low belly, fingertips inside the hip bones. */
    BELLY,
    /** On the lower ribs. */
    RIBS,
    /** One on the ribs, one low on the belly. */
    RIBS_AND_BELLY,
    THIGHS,
    /** Fingertips beside the ears. */
    EARS,
    /** Crossed on the chest. */
    CHEST,
    /** The working hand holds a straw to the mouth, the other rests on the belly. */
    STRAW,
    /** On her side: the lower arm under the head, the upper hand on the mat before the chest. */
    PILLOW,
    /** The upper hand on the hip. */
    HIP
}
