package fernstep.core.separation;

/** What she does while the width is felt. */
public enum Condition {
    REST,
    HEAD_LIFT,
    HEAD_LIFT_SET
}
