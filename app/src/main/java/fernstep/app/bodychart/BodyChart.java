package fernstep.app.bodychart;

import fernstep.app.support.Words;
import fernstep.core.findings.BodyPlace;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** A body from the front and from behind, each place a spot to press on. From the front her right lies on the left. */
@Component
public class BodyChart {
    /** Middle of each drawing, in its own units; a body is 240 high. */
    private static final double FRONT_X = 65;

    private static final double BACK_X = 195;

    private final Words words;

    BodyChart(Words words) {
        this.words = words;
    }

    /** Where a place is drawn: its distance from the middle of the body, its height from the top, its half axes. */
    private record Region(boolean front, double aside, double down, double halfWidth, double halfHeight) {}

    /**
     * A place in the drawing.
     *
     * @param x of its middle
     * @param y of its middle, downward
     */
    public record Spot(PainPlace pain, double x, double y, double halfWidth, double halfHeight) {}

    /** Every place, for the list beside the drawing. */
    public List<PainPlace> places() {
        return Arrays.stream(BodyPlace.values())
                .flatMap(place -> sides(place).stream())
                .toList();
    }

    /** Every place that can be drawn. */
    public List<Spot> spots() {
        List<Spot> spots = new ArrayList<>();
        for (PainPlace pain : places()) {
            @Nullable Region region = region(pain.place());
            if (region != null) {
                spots.add(spot(pain, region));
            }
        }
        return spots;
    }

    /** Those that one of these questions asks about. */
    public List<Spot> spotsAskedBy(Collection<Answer> questions) {
        return spots().stream()
                .filter(spot -> spot.pain()
                        .place()
                        .askedAs()
                        .filter(questions::contains)
                        .isPresent())
                .toList();
    }

    private List<PainPlace> sides(BodyPlace place) {
        return place.sided()
                ? Arrays.stream(Side.values())
                        .map(side -> new PainPlace(place, side, words.text("pain.place", words.code(place), side)))
                        .toList()
                : List.of(new PainPlace(place, null, words.code(place)));
    }

    private static Spot spot(PainPlace pain, Region region) {
        double middle = region.front() ? FRONT_X : BACK_X;
        boolean toTheRight = region.front() == (pain.side() == Side.LEFT);
        double x = pain.side() == null ? middle : middle + (toTheRight ? region.aside() : -region.aside());
        return new Spot(pain, x, region.down(), region.halfWidth(), region.halfHeight());
    }

    private static @Nullable Region region(BodyPlace place) {
        return switch (place) {
            case SHOULDER -> new Region(true, 24.5, 55, 7.5, 7.5);
            case BREAST -> new Region(true, 11, 66, 9, 8);
            case RIBS -> new Region(true, 12, 83, 9, 7);
            case BELLY -> new Region(true, 0, 101, 15, 8);
            case SCAR -> new Region(true, 0, 117, 13, 4.5);
            case HIP -> new Region(true, 21.5, 119, 6.5, 9);
            case GROIN -> new Region(true, 11.5, 131, 5.5, 6.5);
            case PUBIS -> new Region(true, 0, 128, 5.5, 6);
            case WRIST -> new Region(true, 36.5, 124, 7.5, 8);
            case KNEE -> new Region(true, 13, 180, 9, 9);
            case NECK -> new Region(false, 0, 39, 7.5, 7);
            case LOW_BACK -> new Region(false, 0, 99, 16, 8);
            case SACROILIAC -> new Region(false, 8, 113, 7, 6);
            case BUTTOCK -> new Region(false, 14, 128, 10, 9);
            case PERINEUM -> new Region(false, 0, 143, 6, 6);
            case CALF -> new Region(false, 13, 201, 8, 13);
            case OTHER -> null;
        };
    }
}
