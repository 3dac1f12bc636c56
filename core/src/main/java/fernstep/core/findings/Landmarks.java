package fernstep.core.findings;

import fernstep.core.measure.Numbers;
import fernstep.core.measure.Point2;
import fernstep.core.measure.Reason;
import fernstep.core.separation.DomingProfile;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Points dragged on a picture, as stored: {@code scale;x,y;x,y;…}, x to the right and y down as on screen.
 *
 * @param mmPerUnit mm per unit of the picture, above 0 and up to 50
 */
public record Landmarks(double mmPerUnit, List<Point2> points) {
    static final int ALIGNMENT_POINTS = 4;
    static final int DOME_POINTS = 7;
    private static final double LARGEST_SCALE = 50;
    private static final double LARGEST_COORDINATE = 5000;

    public Landmarks {
        points = List.copyOf(points);
    }

    /**
     * Points as dragged, in their stored form; refused where what they stand for cannot be built from them.
     *
     * @param built what the points are for: an alignment, a ridge
     */
    static Finding.Typed typed(String text, int count, Function<Landmarks, ?> built) {
        Landmarks read;
        try {
            read = of(text);
        } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
            return Finding.Typed.refused(Reason.of("refused.points", count));
        }
        boolean outside = read.points().stream()
                .anyMatch(point ->
                        !(Math.abs(point.x()) <= LARGEST_COORDINATE && Math.abs(point.y()) <= LARGEST_COORDINATE));
        if (read.points().size() != count || outside) {
            return Finding.Typed.refused(Reason.of("refused.pointsOnPicture", count));
        }
        if (!(read.mmPerUnit() > 0 && read.mmPerUnit() <= LARGEST_SCALE)) {
            return Finding.Typed.refused(Reason.of("refused.scale", LARGEST_SCALE));
        }
        try {
            Objects.requireNonNull(built.apply(read));
        } catch (IllegalArgumentException e) {
            return Finding.Typed.refused(Reason.of("refused.samePlace"));
        }
        return Finding.Typed.kept(read.text());
    }

    private String text() {
        return Numbers.plain(mmPerUnit)
                + points.stream()
                        .map(point -> ";" + Numbers.plain(point.x()) + "," + Numbers.plain(point.y()))
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

    /** In mm with y up. */
    private List<Point2> scaled() {
        return points.stream()
                .map(point -> new Point2(point.x() * mmPerUnit, -point.y() * mmPerUnit))
                .toList();
    }

    /** @throws IllegalArgumentException where hip bone and pubic bone lie in one place */
    Alignment alignment() {
        List<Point2> mm = scaled();
        return new Alignment(Alignment.Posture.STANDING, mm.get(0), mm.get(1), mm.get(2), mm.get(3));
    }

    /** @throws IllegalArgumentException where the feet of the ridge lie in one place */
    DomingProfile profile() {
        return new DomingProfile(scaled());
    }
}
