package fernstep.core.body;

/**
 * How a rung is moved: from its start to an end, both of which may grow from the easiest range (0) to the full one (1).
 * The left side works; {@link Pose#mirrored()} gives the right.
 *
 * @param startEasiest where a repetition begins at the easiest range
 * @param start where it begins at the full range
 * @param dial what says how far
 */
public record Movement(Pose startEasiest, Pose start, Pose easiest, Pose full, Dial dial) {
    /** Between lift-off and the end the load bends slowly: on the back once at most, propped a little more. */
    private static final double[] ON_THE_BACK = {0.5};

    private static final double[] PROPPED = {0.25, 0.5, 0.75};

    /** A movement without a range. */
    public static Movement fixed(Pose start, Pose end, Dial dial) {
        return new Movement(start, start, end, end, dial);
    }

    public boolean hasRange() {
        return !easiest.equals(full) || !startEasiest.equals(start);
    }

    /** The end of a repetition at this range, 0 to 1. */
    public Pose at(double range) {
        return easiest.toward(full, range);
    }

    /** Where a repetition at this range begins. */
    public Pose startAt(double range) {
        return startEasiest.equals(start) ? start : startEasiest.toward(start, range);
    }

    /** On the way from the start (share 0) to the end at this range (share 1). */
    public Pose during(double range, double share) {
        return startAt(range).toward(at(range), share);
    }

    /** Raised on a wedge instead of flat. */
    public Movement inclined(double wedgeDeg) {
        return new Movement(
                startEasiest.inclined(wedgeDeg),
                start.inclined(wedgeDeg),
                easiest.inclined(wedgeDeg),
                full.inclined(wedgeDeg),
                dial);
    }

    /** Hands that bear become forearms. */
    public Movement onForearms() {
        return new Movement(
                startEasiest.onForearms(), start.onForearms(), easiest.onForearms(), full.onForearms(), dial);
    }

    /** Free knees bent so much further at its end. */
    public Movement withKneesBent(Body body, double deg) {
        return new Movement(
                startEasiest, start, easiest.withKneesBentBy(deg, body), full.withKneesBentBy(deg, body), dial);
    }

    /** One limb moves instead of two. */
    public Movement oneLimb() {
        return new Movement(startEasiest.oneLimb(), start.oneLimb(), easiest.oneLimb(), full.oneLimb(), dial);
    }

    /** What is held at this range. */
    public TrunkLoad held(Body body, double range) {
        return TrunkLoad.of(body, at(range));
    }

    /**
     * The greatest load on the way to this range and back: a limb is heaviest as it leaves the mat, a lever as it is
     * longest.
     */
    public TrunkLoad peak(Body body, double range) {
        return peak(body, startAt(range), at(range));
    }

    static TrunkLoad peak(Body body, Pose start, Pose end) {
        TrunkLoad peak = TrunkLoad.of(body, end);
        if (start.equals(end)) {
            return peak;
        }
        peak = heavier(peak, TrunkLoad.of(body, start.liftedToward(end)));
        for (double share : end.trunk().on() == TrunkContact.BACK ? ON_THE_BACK : PROPPED) {
            peak = heavier(peak, TrunkLoad.of(body, start.toward(end, share)));
        }
        return peak;
    }

    private static TrunkLoad heavier(TrunkLoad one, TrunkLoad other) {
        return other.loadIndex() > one.loadIndex() ? other : one;
    }

    /** The greatest load with free knees bent so much further, from lift-off on. */
    public TrunkLoad peakWithKneesBent(Body body, double range, double deg) {
        Pose start = startAt(range);
        Pose end = at(range);
        Pose lifted = start.liftedToward(end).withKneesBentBy(deg, body);
        Pose bent = end.withKneesBentBy(deg, body);
        return heavier(TrunkLoad.of(body, lifted), peak(body, lifted, bent));
    }

    /** The greatest load with one limb instead of two. */
    public TrunkLoad peakOfOneLimb(Body body, double range) {
        return peak(body, startAt(range).oneLimb(), at(range).oneLimb());
    }

    /** Where her limb is at a range. */
    public RangePoint point(Body body, double range) {
        Skeleton s = Skeleton.of(body, at(range));
        double height =
                switch (dial) {
                    case SURFACE -> dial.value(s, body);
                    case SHOULDER -> s.leftArm().handHeightCm();
                    default -> Math.max(0, s.left().heelHeightCm(body));
                };
        return new RangePoint(range, dial.value(s, body), height, peak(body, range), TrunkLoad.of(body, s));
    }
}
