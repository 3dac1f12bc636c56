package fernstep.core.catalogue;

/** How she lies, kneels, sits or stands. */
public enum Position {
    SUPINE,
    INCLINED,
    SIDE,
    PRONE,
    HANDS_KNEES,
    KNEELING,
    SEATED,
    STANDING,
    WALL
}
