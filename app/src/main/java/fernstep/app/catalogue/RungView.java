package fernstep.app.catalogue;

import fernstep.app.figure.Drawn;
import fernstep.app.figure.FigureDrawing;
import fernstep.app.figure.Figures;
import fernstep.app.figure.SignPicture;
import fernstep.app.support.Words;
import fernstep.core.body.Body;
import fernstep.core.body.Capacity;
import fernstep.core.body.Dial;
import fernstep.core.body.RangePoint;
import fernstep.core.body.RangeSolver;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A rung with its load along the range for one body.
 *
 * @param points from the easiest range to the full one, evenly
 * @param marks ranges worked out from what she can do, each with its words
 * @param watched what it is watched for, drawn on her
 */
record RungView(
        Rung rung,
        @Nullable Side side,
        Drawn moving,
        Drawn overRange,
        List<RangePoint> points,
        List<double[]> handles,
        List<Mark> marks,
        List<SignPicture> watched) {
    static final int POINTS = 41;
    private static final double SAFE_SHARE_OF_CAPACITY = 0.9;
    private static final int CURVE_WIDTH = 300;
    private static final int CURVE_HEIGHT = 110;

    /** A range with why it is offered; range null where it cannot be reached. */
    record Mark(String label, @Nullable Double range, String answer) {}

    /** Of the dial's value: half kilograms are worth a place. */
    public int decimals() {
        return rung.movement().dial() == Dial.WEIGHT ? 1 : 0;
    }

    static RungView of(
            Rung rung,
            Body body,
            @Nullable Side side,
            Optional<Capacity> capacity,
            Optional<Double> lastIndex,
            Words words) {
        List<RangePoint> points = new ArrayList<>();
        for (int i = 0; i < POINTS; i++) {
            points.add(rung.movement().point(body, (double) i / (POINTS - 1)));
        }
        List<Mark> marks = new ArrayList<>();
        if (rung.family() != null && rung.hasRange()) {
            capacity.ifPresent(each -> marks.add(mark(
                    words.text("rungView.ofCapacity"), rung, body, SAFE_SHARE_OF_CAPACITY * each.loadIndex(), words)));
            lastIndex.ifPresent(last -> marks.add(
                    mark(words.text("rungView.overLastTime"), rung, body, last * (1 + Capacity.USUAL_STEP), words)));
        }
        return new RungView(
                rung,
                side,
                Figures.moving(rung, body, side, 1),
                Figures.overRange(rung, body, side),
                points,
                FigureDrawing.handle(rung, body, side, POINTS),
                marks,
                SignPicture.watched(rung, body, side, 1));
    }

    private static Mark mark(String label, Rung rung, Body body, double ceiling, Words words) {
        RangeSolver.Answer answer = RangeSolver.solve(rung.movement(), body, ceiling);
        if (answer instanceof RangeSolver.Answer.Reached reached) {
            RangePoint p = reached.point();
            return new Mark(label, p.range(), words.range(rung.movement().dial(), p));
        }
        RangeSolver.Answer.NotReachable not = (RangeSolver.Answer.NotReachable) answer;
        return new Mark(
                label, null, words.text("range.notReachable", Math.round(100 * (not.easiestIndex() / ceiling - 1))));
    }

    public boolean hasDial() {
        return rung.hasRange();
    }

    /** For the dial: range, angle, height, index, bending, turning, lateral and where the limb is held, point by point. */
    public String data() {
        StringBuilder data = new StringBuilder();
        for (int i = 0; i < points.size(); i++) {
            RangePoint p = points.get(i);
            data.append(i == 0 ? "" : ";")
                    .append(String.format(
                            Locale.ROOT,
                            "%.3f %.1f %.1f %.2f %.1f %.1f %.1f %.1f %.1f",
                            p.range(),
                            p.value(),
                            p.heightCm(),
                            p.load().loadIndex(),
                            p.load().bendingNm(),
                            p.load().turningNm(),
                            p.load().lateralNm(),
                            handles.get(i)[0],
                            handles.get(i)[1]));
        }
        return data.toString();
    }

    /** The highest index on the scale of the curve. */
    public double scaleTo() {
        return Math.max(
                10,
                1.1
                        * points.stream()
                                .mapToDouble(point -> point.load().loadIndex())
                                .max()
                                .orElse(0));
    }

    public String curve() {
        StringBuilder d = new StringBuilder("M");
        for (RangePoint p : points) {
            d.append(d.length() > 1 ? " " : "")
                    .append(Math.round(p.range() * CURVE_WIDTH))
                    .append(' ')
                    .append(Math.round(y(p.load().loadIndex())));
        }
        return d.toString();
    }

    public double y(double index) {
        return CURVE_HEIGHT * (1 - Math.min(1, index / scaleTo()));
    }
}
