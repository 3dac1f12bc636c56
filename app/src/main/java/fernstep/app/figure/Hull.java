package fernstep.app.figure;

import java.util.List;

/** Some round parts and all that lies between them: a limb, a slice of a trunk. Seen from anywhere its outline bulges. */
record Hull(List<Ball> balls) {
    /** Corners of an outline, whatever it is of: so that one moment can be turned into another corner by corner. */
    static final int CORNERS = 16;

    private static final double CM = 100;

    Hull {
        balls = List.copyOf(balls);
    }

    static Hull of(Ball... balls) {
        return new Hull(List.of(balls));
    }

    private static final double[] RIGHT = new double[CORNERS];
    private static final double[] DOWN = new double[CORNERS];

    static {
        for (int corner = 0; corner < CORNERS; corner++) {
            RIGHT[corner] = Math.cos(2 * Math.PI * corner / CORNERS);
            DOWN[corner] = Math.sin(2 * Math.PI * corner / CORNERS);
        }
    }

    /** Its outline on the page, x, y, x, y … in cm, {@link #CORNERS} of them. */
    double[] outline(Camera camera) {
        Ball.Seen[] seen = new Ball.Seen[balls.size()];
        for (int i = 0; i < seen.length; i++) {
            seen[i] = balls.get(i).seen(camera);
        }
        double[] xy = new double[2 * CORNERS];
        for (int corner = 0; corner < CORNERS; corner++) {
            Ball.Seen farthest = seen[0];
            double most = farthest.reach(RIGHT[corner], DOWN[corner]);
            for (int i = 1; i < seen.length; i++) {
                double reach = seen[i].reach(RIGHT[corner], DOWN[corner]);
                if (reach > most) {
                    most = reach;
                    farthest = seen[i];
                }
            }
            xy[2 * corner] = CM * farthest.outermostX(RIGHT[corner], DOWN[corner]);
            xy[2 * corner + 1] = CM * farthest.outermostY(RIGHT[corner], DOWN[corner]);
        }
        return xy;
    }
}
