package fernstep.app.check;

import fernstep.core.findings.Alignment;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Point2;
import fernstep.core.separation.DomingProfile;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Points dragged on a picture, as stored: {@code scale;x,y;x,y;…}, the scale in mm per picture unit, x to the right and
 * y down as on screen.
 */
record Landmarks(double mmPerUnit, List<Point2> points) {
    static final int ALIGNMENT_POINTS = 4;
    static final int DOME_POINTS = 7;
    private static final double LARGEST_SCALE = 50;
    private static final double LARGEST_COORDINATE = 5000;

    /**
     * Points as dragged, in their stored form; refused where what they stand for cannot be built from them.
     *
     * @param built what the points are for: an alignment, a ridge
     */
    static FindingField.Typed typed(String text, int count, Function<Landmarks, ?> built) {
        Landmarks read;
        try {
            read = of(text);
        } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
            return FindingField.Typed.refused("Needs a scale and " + count + " points.");
        }
        boolean outside = read.points().stream()
                .anyMatch(p -> !(Math.abs(p.x()) <= LARGEST_COORDINATE && Math.abs(p.y()) <= LARGEST_COORDINATE));
        if (read.points().size() != count || outside) {
            return FindingField.Typed.refused("Needs " + count + " points on the picture.");
        }
        if (!(read.mmPerUnit() > 0 && read.mmPerUnit() <= LARGEST_SCALE)) {
            return FindingField.Typed.refused("The scale must be above 0 and up to 50 mm a unit.");
        }
        try {
            Objects.requireNonNull(built.apply(read));
        } catch (IllegalArgumentException e) {
            return FindingField.Typed.refused("Two marks lie on one another: " + e.getMessage() + ".");
        }
        return FindingField.Typed.kept(read.text());
    }

    private String text() {
        return Numbers.plain(mmPerUnit)
                + points.stream()
                        .map(p -> ";" + Numbers.plain(p.x()) + "," + Numbers.plain(p.y()))
                        .collect(Collectors.joining());
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
