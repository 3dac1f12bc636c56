package fernstep.core.body;

/**
 * How a rung is moved: from its start to an end that grows from the easiest range (0) to the full one (1). The left side
 * works; {@link Pose#mirrored()} gives the right.
 *
 * @param dial the angle that says how far
 * @param rises the load never falls while the range grows
 */
public record Movement(Pose start, Pose easiest, Pose full, Dial dial, boolean rises) {

    /** The end of a repetition at this range, 0 to 1. */
    public Pose at(double range) {
        return easiest.toward(full, range);
    }

    /** On the way from the start (share 0) to the end at this range (share 1). */
    public Pose during(double range, double share) {
        return start.toward(at(range), share);
    }

    /** Raised on a wedge instead of flat. */
    public Movement inclined(double wedgeDeg) {
        return new Movement(start.inclined(wedgeDeg), easiest.inclined(wedgeDeg), full.inclined(wedgeDeg), dial, rises);
    }

    /** Hands that bear become forearms. */
    public Movement onForearms() {
        return new Movement(start.onForearms(), easiest.onForearms(), full.onForearms(), dial, rises);
    }

    /** Where her limb is at a range. */
    public RangePoint point(Body body, double range) {
        Skeleton s = Skeleton.of(body, at(range));
        TrunkLoad load = TrunkLoad.of(body, s);
        double height = dial.ofTheArm()
                ? s.leftArm().handHeightCm()
                : Math.max(0, s.left().heelHeightCm(body));
        return new RangePoint(range, dial.angleDeg(s), height, load);
    }
}
