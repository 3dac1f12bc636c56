package fernstep.app.figure;

import fernstep.core.measure.Reason;
import java.util.List;

/**
 * A figure as areas and lines. 1 unit is 1 cm; y grows downward.
 *
 * @param ghost where the movement starts, faint
 * @param labels heights and side letters
 * @param alt what it shows, in words
 */
public record Figure(
        Box box, List<Stroke> scene, List<Stroke> ghost, List<Stroke> body, List<Label> labels, Reason alt) {

    /** The part of the plane that holds every frame. */
    public record Box(int x, int y, int width, int height) {
        private static final int MARGIN = 9;
        /** Of a letter of a label, about. */
        private static final double HALF_LETTER = 2.7;

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
                double half = HALF_LETTER * label.text().length();
                minX = Math.min(minX, label.x() - half);
                maxX = Math.max(maxX, label.x() + half);
                minY = Math.min(minY, label.y() - 6);
            }
            int x = (int) Math.floor(minX) - MARGIN;
            int y = (int) Math.floor(minY) - MARGIN;
            return new Box(x, y, (int) Math.ceil(maxX) + MARGIN - x, (int) Math.ceil(maxY) + 6 - y);
        }
    }

    /**
     * One line through points, or an area of several closed pieces; its frames are the movement from start to end in even
     * steps.
     *
     * @param kind its class in the style sheet
     * @param frames each x, y, x, y …
     * @param corners of every closed piece; 0 for an open line
     */
    public record Stroke(String kind, List<double[]> frames, int corners) {
        Stroke(String kind, List<double[]> frames) {
            this(kind, frames, 0);
        }

        /** Whether a point of the page lies in one of its pieces at the end of the movement. */
        boolean covers(double x, double y) {
            double[] xy = frames.get(frames.size() - 1);
            for (int from = 0; corners > 0 && from < xy.length; from += 2 * corners) {
                boolean inside = false;
                int before = from + 2 * corners - 2;
                for (int at = from; at < from + 2 * corners; at += 2) {
                    boolean crosses = xy[at + 1] > y != xy[before + 1] > y;
                    if (crosses
                            && x < (xy[before] - xy[at]) * (y - xy[at + 1]) / (xy[before + 1] - xy[at + 1]) + xy[at]) {
                        inside = !inside;
                    }
                    before = at;
                }
                if (inside) {
                    return true;
                }
            }
            return false;
        }

        /** At the end of the movement. */
        public String d() {
            double[] points = frames.get(frames.size() - 1);
            return corners == 0 ? line(points) : pieces(points);
        }

        private static String line(double[] points) {
            String d = "M" + joined(points, 0, points.length);
            return points.length == 2 ? d + "h.1" : d;
        }

        private String pieces(double[] points) {
            StringBuilder d = new StringBuilder();
            for (int at = 0; at < points.length; at += 2 * corners) {
                d.append('M').append(joined(points, at, at + 2)).append('l');
                for (int i = at + 2; i < at + 2 * corners; i++) {
                    long step = tenths(points[i]) - tenths(points[i - 2]);
                    d.append(i == at + 2 || step < 0 ? "" : " ").append(short1(step / 10.0));
                }
                d.append('Z');
            }
            return d.toString();
        }

        private static long tenths(double value) {
            return Math.round(10 * value);
        }

        private static String joined(double[] points, int from, int to) {
            StringBuilder all = new StringBuilder();
            for (int i = from; i < to; i++) {
                all.append(i == from ? "" : " ").append(short1(points[i]));
            }
            return all.toString();
        }

        /**
         * All frames for the browser, in tenths: points by blanks, frames by semicolons. The first says of each number how far it
         * is from the one two before, every other what has changed since the frame before: both are little and pack well.
         */
        public String data() {
            StringBuilder all = new StringBuilder();
            long[] before = new long[frames.get(0).length];
            for (double[] frame : frames) {
                boolean first = all.isEmpty();
                all.append(first ? "" : ";");
                for (int i = 0; i < frame.length; i++) {
                    long now = tenths(frame[i]);
                    long since = first ? pointBefore(before, i) : before[i];
                    all.append(i == 0 ? "" : " ").append(now - since);
                    before[i] = now;
                }
            }
            return all.toString();
        }

        /** The same coordinate of the point before; nothing for the first. */
        private static long pointBefore(long[] frame, int at) {
            return at < 2 ? 0 : frame[at - 2];
        }

        private static String short1(double value) {
            double tenth = Math.round(10 * value) / 10.0;
            return tenth == Math.rint(tenth) ? String.valueOf((long) tenth) : String.valueOf(tenth);
        }
    }

    public record Label(double x, double y, String text) {}
}
