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

    /** Its outline on the page, x, y, x, y … in cm, {@link #CORNERS} of them. */
    double[] outline(Camera camera) {
        double[] xy = new double[2 * CORNERS];
        for (int corner = 0; corner < CORNERS; corner++) {
            double turn = 2 * Math.PI * corner / CORNERS;
            double right = Math.cos(turn);
            double down = Math.sin(turn);
            double farthest = -Double.MAX_VALUE;
            for (Ball ball : balls) {
                double[] point = ball.outermost(camera, right, down);
                double far = point[0] * right + point[1] * down;
                if (far > farthest) {
                    farthest = far;
                    xy[2 * corner] = CM * point[0];
                    xy[2 * corner + 1] = CM * point[1];
                }
            }
        }
        return xy;
    }
}
