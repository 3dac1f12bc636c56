package fernstep.core.session;

/**
 * Who of the house did something.
 *
 * @param value from 1
 */
public record StaffId(long value) {}
