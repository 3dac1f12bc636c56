package fernstep.app.figure;

import fernstep.core.body.Point3;
import java.util.ArrayList;
import java.util.List;

/**
 * A hand at work on somebody else: palm, four fingers of three bends and a thumb, with its forearm. Thousandths of the height
 * of whoever it belongs to (brief 14.3). Metres.
 *
 * @param tips where the fingertips are, in their middle
 * @param along the way the fingers point, length 1
 * @param across from the first finger to the last, length 1
 * @param away from what is touched, length 1
 */
record ExaminerHand(Point3 tips, Point3 along, Point3 across, Point3 away, double heightM) {
    private static final int FINGERS = 4;
    private static final double SPREAD = 11.5;
    private static final double[] LENGTHS = {45, 51, 49, 41};
    private static final double FINGER = 5.2;
    private static final double DIPS = 9;

    private double m(double thousandths) {
        return thousandths * heightM / 1000;
    }

    private Point3 at(double back, double aside, double up) {
        return tips.plus(along.times(-m(back))).plus(across.times(m(aside))).plus(away.times(m(up)));
    }

    private Ball ball(double back, double aside, double up, double radius) {
        return Ball.round(at(back, aside, up), m(radius));
    }

    /** @param inTheGap so many fingers lie deeper, in the middle of the hand; 0 to 4 */
    List<Hull> hulls(int inTheGap) {
        List<Hull> all = new ArrayList<>();
        double knuckles = 47;
        all.add(Hull.of(
                ball(knuckles + 60, -13, 34, 15),
                ball(knuckles + 60, 13, 34, 15),
                ball(knuckles, -18, 24, 10),
                ball(knuckles, 18, 24, 10)));
        all.add(Hull.of(ball(knuckles + 42, -20, 26, 9), ball(knuckles + 14, -36, 18, 7)));
        all.add(Hull.of(ball(knuckles + 14, -36, 18, 7), ball(knuckles - 10, -37, 10, 6)));
        int first = (FINGERS - inTheGap) / 2;
        for (int i = 0; i < FINGERS; i++) {
            double aside = (i - (FINGERS - 1) / 2.0) * SPREAD;
            boolean deep = i >= first && i < first + inTheGap;
            double reach = LENGTHS[1] - LENGTHS[i];
            double tip = deep ? -DIPS : 2;
            all.add(Hull.of(
                    ball(knuckles + 2, aside, 24, FINGER + 1.5),
                    ball(knuckles * 0.55 + reach, aside, 22, FINGER + 0.5)));
            all.add(Hull.of(ball(knuckles * 0.55 + reach, aside, 22, FINGER + 0.5), ball(reach, aside, tip, FINGER)));
        }
        return all;
    }

    /** From the wrist to where the sleeve ends beyond the picture. */
    List<Hull> forearm() {
        return List.of(Hull.of(ball(104, 0, 36, 15), ball(190, 0, 70, 22)));
    }
}
