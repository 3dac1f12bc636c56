package fernstep.core.body;

/**
 * One range of a rung for one client.
 *
 * @param range 0 easiest to 1 full
 * @param angleDeg of the rung's dial
 * @param heightCm of the working heel above where it rests, or of the hand above the floor
 */
public record RangePoint(double range, double angleDeg, double heightCm, TrunkLoad load) {}
