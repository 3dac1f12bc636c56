package fernstep.core.body;

/**
 * One range of a rung for one client.
 *
 * @param range 0 easiest to 1 full
 * @param value of the rung's dial, in the dial's unit
 * @param heightCm of the working heel above where it rests, or of the hand above the mat
 * @param load the greatest on the way from the start to this range
 * @param held of the position held there
 */
public record RangePoint(double range, double value, double heightCm, TrunkLoad load, TrunkLoad held) {}
