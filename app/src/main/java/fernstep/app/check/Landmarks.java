package fernstep.app.check;

import fernstep.core.findings.Alignment;
import fernstep.core.measure.Point2;
import fernstep.core.separation.DomingProfile;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Points dragged on a picture, as stored: {@code scale;x,y;x,y;…}, the scale in mm per picture unit, x to the right and
 * y down as on screen.
 */
record Landmarks(double mmPerUnit, List<Point2> points) {
    static final int ALIGNMENT_POINTS = 4;
    static final int DOME_POINTS = 7;
    private static final double LARGEST_SCALE = 50;
    private static final double LARGEST_COORDINATE = 5000;

    static Optional<String> problem(String text, int count) {
        try {
            Landmarks read = of(text);
            boolean outside = read.points().stream()
                    .anyMatch(p -> Math.abs(p.x()) > LARGEST_COORDINATE || Math.abs(p.y()) > LARGEST_COORDINATE);
            if (read.points().size() != count || outside) {
                return Optional.of("Needs " + count + " points on the picture.");
            }
            return read.mmPerUnit() > 0 && read.mmPerUnit() <= LARGEST_SCALE
                    ? Optional.empty()
                    : Optional.of("The scale must be above 0 and up to 50 mm a unit.");
        } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
            return Optional.of("Needs a scale and " + count + " points.");
        }
    }

    static Landmarks of(String text) {
        String[] parts = text.split(";");
        List<Point2> points = new ArrayList<>();
        for (int i = 1; i < parts.length; i++) {
            String[] xy = parts[i].split(",");
            points.add(new Point2(Double.parseDouble(xy[0]), Double.parseDouble(xy[1])));
        }
        return new Landmarks(Double.parseDouble(parts[0]), points);
    }

    /** In mm with y up, as the core wants them. */
    private List<Point2> scaled() {
        return points.stream()
                .map(p -> new Point2(p.x() * mmPerUnit, -p.y() * mmPerUnit))
                .toList();
    }

    Alignment alignment() {
        List<Point2> mm = scaled();
        return new Alignment(Alignment.Posture.STANDING, mm.get(0), mm.get(1), mm.get(2), mm.get(3));
    }

    DomingProfile profile() {
        return new DomingProfile(scaled());
    }
}
