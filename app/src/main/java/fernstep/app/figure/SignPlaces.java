package fernstep.app.figure;

import fernstep.core.body.Point3;
import fernstep.core.body.Skeleton;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;

/** Where on her a sign is seen: on her skin, under her back, at her cheeks. */
final class SignPlaces {
    private static final double[] LOW_BACK = {0.04, 0.18, 0.32, 0.46, 0.6};
    private static final double THICK = 9;
    private static final int RIM_STEPS = 4;
    private static final double UNDER_THE_SKIN = 8;
    private static final double ON_THE_MIDLINE = 35;

    private final Anatomy her;
    private final Skeleton f;
    /** As she lies when all is well. */
    private final Spine level;

    SignPlaces(Anatomy her, Skeleton skeleton, Skeleton asItShouldBe) {
        this.her = her;
        this.f = skeleton;
        this.level = new Spine(asItShouldBe);
    }

    /** What stands out of her skin by so much of its height, from inside of her; at 0 all of it is inside. */
    Hull ridge(SignOnBody.Bump from, SignOnBody.Bump to, double amount) {
        return Hull.of(ball(from, amount), ball(from, 0), ball(to, amount), ball(to, 0));
    }

    private Ball ball(SignOnBody.Bump bump, double amount) {
        double out = bump.rises() * amount - bump.radius() - (1 - amount) * UNDER_THE_SKIN;
        return Ball.round(outOf(bump.share(), bump.aside(), out), her.m(bump.radius()));
    }

    /** So far out of her skin, where it is round to the sides. */
    private Point3 outOf(double share, double aside, double thousandths) {
        Spine.Place at = her.spine().at(share);
        double across = Math.min(0.95, Math.abs(her.m(aside)) / her.halfWidthM(share));
        double round = her.halfDepthM(share) * (Math.sqrt(1 - across * across) - 1);
        return her.onBelly(share, aside).plus(at.front().times(round + her.m(thousandths)));
    }

    /** Along what stands out, on its outside: the new line of her front. */
    List<Hull> rim(List<SignOnBody.Bump> chain, double amount) {
        List<Ball> balls = new ArrayList<>();
        for (int i = 1; i < chain.size(); i++) {
            for (int step = i == 1 ? 0 : 1; step <= RIM_STEPS; step++) {
                balls.add(onTheRim(chain.get(i - 1), chain.get(i), (double) step / RIM_STEPS, amount));
            }
        }
        List<Hull> all = new ArrayList<>();
        for (int i = 1; i < balls.size(); i++) {
            all.add(Hull.of(balls.get(i - 1), balls.get(i)));
        }
        return all;
    }

    /** Between two, as smooth as flesh: level where they are highest. */
    private Ball onTheRim(SignOnBody.Bump from, SignOnBody.Bump to, double way, double amount) {
        double smooth = (1 - Math.cos(Math.PI * way)) / 2;
        double share = from.share() + way * (to.share() - from.share());
        double aside = Math.abs(from.aside()) < ON_THE_MIDLINE ? 0 : from.aside();
        double out = (from.rises() + smooth * (to.rises() - from.rises())) * amount - 0.6 * THICK;
        return Ball.round(outOf(share, aside, out), her.m(THICK));
    }

    /** @param filled 0 to 1 */
    Hull cheek(Side side, double filled) {
        Head head = new Head(f, her.m(1000));
        Point3 left = f.leftArm().shoulder().minus(f.rightArm().shoulder());
        double out = (side == Side.LEFT ? 1 : -1) * her.m(18 + 12 * filled) / left.length();
        return Hull.of(Ball.round(head.at(-17, 27).plus(left.times(out)), her.m(14 + 9 * filled)));
    }

    /** Out of the pelvis, the way that pushing goes. */
    List<Hull> below() {
        Spine.Place at = her.spine().at(0);
        Point3 down = at.along().times(-1);
        return List.of(Hull.of(
                Ball.round(at.point().plus(down.times(her.m(62))), her.m(26)),
                Ball.round(at.point().plus(down.times(her.m(104))), her.m(8))));
    }

    /** The low back from behind, as a band. */
    List<Hull> alongBack() {
        return band(her.spine(), her.spine());
    }

    /** Between the low back and where it should lie. */
    List<Hull> lightUnderBack() {
        return band(her.spine(), level);
    }

    private List<Hull> band(Spine upper, Spine lower) {
        List<Hull> all = new ArrayList<>();
        for (int i = 1; i < LOW_BACK.length; i++) {
            all.add(Hull.of(
                    behind(upper, LOW_BACK[i - 1]),
                    behind(upper, LOW_BACK[i]),
                    behind(lower, LOW_BACK[i - 1]),
                    behind(lower, LOW_BACK[i])));
        }
        return all;
    }

    private Ball behind(Spine spine, double share) {
        Spine.Place at = spine.at(share);
        return her.bone(at.point().plus(at.front().times(-her.halfDepthM(share))), THICK);
    }

    /** From hip bone to hip bone. */
    List<Hull> hipBones() {
        return List.of(Hull.of(
                Ball.round(her.onBelly(0.15, 68), her.m(THICK)), Ball.round(her.onBelly(0.15, -68), her.m(THICK))));
    }

    /** In front of both hips, where the thigh begins. */
    List<Hull> hipCreases() {
        List<Hull> all = new ArrayList<>();
        for (Side side : Side.values()) {
            Skeleton.Leg leg = f.leg(side);
            Point3 along = leg.knee().minus(leg.hip()).times(0.16);
            Point3 front = her.spine().at(0.05).front().times(her.m(40));
            all.add(Hull.of(
                    Ball.round(leg.hip().plus(front), her.m(18)),
                    Ball.round(leg.hip().plus(along).plus(front), her.m(16))));
        }
        return all;
    }

    /** From the ear to the shoulder, on both sides. */
    List<Hull> neck() {
        List<Hull> all = new ArrayList<>();
        for (Side side : Side.values()) {
            Point3 ear = her.ear(side);
            Point3 shoulder = f.arm(side).shoulder();
            all.add(Hull.of(
                    Ball.round(ear.plus(shoulder.minus(ear).times(0.25)), her.m(THICK)),
                    Ball.round(ear.plus(shoulder.minus(ear).times(0.8)), her.m(1.6 * THICK))));
        }
        return all;
    }

    List<Hull> lowBelly() {
        return her.lowBelly();
    }
}
