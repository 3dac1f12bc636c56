package fernstep.core.body;

/**
 * One body for static sums written out for 70 kg and 1.70 m. Lengths are shares of height, masses shares of body mass; a sum
 * in those shares times m·g·H = 70·9.81·1.70 = 1167.39 is N·m.
 */
abstract class LoadOfOne {
    static final Body BODY = Body.of(70.0, 170.0);
    static final double MGH = 1167.39;
    static final double CLOSE = 0.01;
    static final LegPose RESTING = LegPose.on(LegContact.FOOT, 42, 90);

    static TrunkLoad one(LegPose left) {
        return TrunkLoad.of(BODY, Pose.lying(left, RESTING));
    }
}
