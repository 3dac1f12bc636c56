package fernstep.app.figure;

import fernstep.core.measure.Reason;
import java.util.List;

/**
 * A figure as lines. 1 unit is 1 cm; y grows downward.
 *
 * @param ghost where the movement starts, faint
 * @param labels heights and side letters
 * @param alt what it shows, in words
 */
public record Figure(
        Box box, List<Stroke> scene, List<Stroke> ghost, List<Stroke> body, List<Label> labels, Reason alt) {

    /** The part of the plane that holds every frame. */
    public record Box(int x, int y, int width, int height) {
        private static final int MARGIN = 18;

        public String asViewBox() {
            return x + " " + y + " " + width + " " + height;
        }

        /** Around all of it, with a margin. */
        static Box around(List<Stroke> strokes, List<Stroke> scene, List<Label> labels) {
            double minX = Double.MAX_VALUE;
            double maxX = -Double.MAX_VALUE;
            double minY = Double.MAX_VALUE;
            double maxY = 6;
            for (List<Stroke> part : List.of(strokes, scene)) {
                for (Stroke s : part) {
                    for (double[] frame : s.frames()) {
                        for (int i = 0; i < frame.length; i += 2) {
                            minX = Math.min(minX, frame[i]);
                            maxX = Math.max(maxX, frame[i]);
                            minY = Math.min(minY, frame[i + 1]);
                            maxY = Math.max(maxY, frame[i + 1]);
                        }
                    }
                }
            }
            for (Label label : labels) {
                maxX = Math.max(maxX, label.x());
                minY = Math.min(minY, label.y());
            }
            int x = (int) Math.floor(minX) - MARGIN;
            int y = (int) Math.floor(minY) - MARGIN;
            return new Box(x, y, (int) Math.ceil(maxX) + MARGIN - x, (int) Math.ceil(maxY) + 6 - y);
        }
    }

    /**
     * One line through points; its frames are the movement from start to end in even steps.
     *
     * @param kind its class in the style sheet
     * @param frames each x, y, x, y …
     */
    public record Stroke(String kind, List<double[]> frames) {
        /** At the end of the movement. */
        public String d() {
            return d(frames.get(frames.size() - 1));
        }

        public String startD() {
            return d(frames.get(0));
        }

        private static String d(double[] points) {
            StringBuilder d = new StringBuilder("M");
            for (int i = 0; i < points.length; i++) {
                d.append(i == 0 ? "" : " ").append(short1(points[i]));
            }
            return points.length == 2 ? d.append("h.1").toString() : d.toString();
        }

        /** All frames for the browser: points by blanks, frames by semicolons. */
        public String data() {
            StringBuilder data = new StringBuilder();
            for (double[] frame : frames) {
                data.append(data.isEmpty() ? "" : ";");
                for (int i = 0; i < frame.length; i++) {
                    data.append(i == 0 ? "" : " ").append(short1(frame[i]));
                }
            }
            return data.toString();
        }

        private static String short1(double value) {
            double tenth = Math.round(10 * value) / 10.0;
            return tenth == Math.rint(tenth) ? String.valueOf((long) tenth) : String.valueOf(tenth);
        }
    }

    public record Label(double x, double y, String text) {}
}
