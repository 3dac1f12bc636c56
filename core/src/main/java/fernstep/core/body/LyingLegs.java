package fernstep.core.body;

/** Both legs lying: the one that works and the one that waits. Mirror images load alike, so no side is named. */
public record LyingLegs(LyingLeg working, LyingLeg other) {

    /** From this easiest pose toward the full one; range 0 to 1. */
    public LyingLegs toward(LyingLegs full, double range) {
        return new LyingLegs(working.toward(full.working, range), other.toward(full.other, range));
    }

    public LyingLegs withKneesBentBy(double deg) {
        return new LyingLegs(working.withKneeBentBy(deg), other.withKneeBentBy(deg));
    }

    /** The waiting leg goes back to the floor. */
    public LyingLegs oneLimb() {
        return new LyingLegs(working, new LyingLeg(45, 90, 1));
    }

    public double bendingNm(Body b) {
        return working.hipMomentNm(b) + other.hipMomentNm(b);
    }

    /** About the spine's long axis: unsupported weight times its distance from the midline; 0 when both match. */
    public double turningNm(Body b) {
        return (working.unsupportedN(b) - other.unsupportedN(b)) * b.hipHalfWidthM();
    }

    /** √(bending² + turning²)/(m·g·H)·1000, without unit, so that clients compare. */
    public double loadIndex(Body b) {
        return 1000 * Math.hypot(bendingNm(b), turningNm(b)) / (b.massKg() * Body.GRAVITY * b.heightM());
    }
}
