package fernstep.app.figure;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import fernstep.app.figure.Drawn.Kind;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** Figures for pages. What one shows depends on what is asked for and on nothing else, so it is drawn once and kept. */
public final class Figures {
    private static final long LETTERS_KEPT = 16_000_000;

    private static final Cache<Asked, Drawn> KEPT = Caffeine.newBuilder()
            .maximumWeight(LETTERS_KEPT)
            .weigher((Asked asked, Drawn drawn) -> drawn.marks().length())
            .build();

    private Figures() {}

    /** What is drawn. */
    private enum What {
        MOVEMENT,
        OVER_RANGE,
        SIGN
    }

    private record Asked(
            What what,
            Kind kind,
            Rung rung,
            Body body,
            @Nullable Side side,
            double range,
            @Nullable SignCode sign) {

        Drawn draw() {
            Figure figure =
                    switch (what) {
                        case MOVEMENT ->
                            kind == Kind.STILL || kind == Kind.PRINTED
                                    ? FigureDrawing.still(rung, body, side, range)
                                    : FigureDrawing.of(rung, body, side, range);
                        case OVER_RANGE -> FigureDrawing.overRange(rung, body, side);
                        case SIGN -> FigureDrawing.sign(rung, body, side, range, Objects.requireNonNull(sign));
                    };
            return Drawn.of(figure, kind);
        }
    }

    /** @param range 0 easiest to 1 full */
    public static Drawn still(Rung rung, Body body, @Nullable Side side, double range) {
        return kept(new Asked(What.MOVEMENT, Kind.STILL, rung, body, side, range, null));
    }

    /** The same for paper. */
    public static Drawn printed(Rung rung, Body body, @Nullable Side side, double range) {
        return kept(new Asked(What.MOVEMENT, Kind.PRINTED, rung, body, side, range, null));
    }

    /** With the movement for the browser to play. */
    public static Drawn moving(Rung rung, Body body, @Nullable Side side, double range) {
        return kept(new Asked(What.MOVEMENT, Kind.MOVING, rung, body, side, range, null));
    }

    /** The same without letters. */
    public static Drawn movingAlone(Rung rung, Body body, @Nullable Side side, double range) {
        return kept(new Asked(What.MOVEMENT, Kind.MOVING_ALONE, rung, body, side, range, null));
    }

    /** Its frames go from the easiest range to the full one. */
    public static Drawn overRange(Rung rung, Body body, @Nullable Side side) {
        return kept(new Asked(What.OVER_RANGE, Kind.MOVING, rung, body, side, 1, null));
    }

    static Drawn sign(Asking asking, SignCode sign) {
        return kept(new Asked(
                What.SIGN,
                asking.printed() ? Kind.PRINTED : Kind.STILL,
                asking.rung(),
                asking.body(),
                asking.side(),
                asking.range(),
                sign));
    }

    /** On whom and how signs are drawn. */
    record Asking(Rung rung, Body body, @Nullable Side side, double range, boolean printed) {}

    private static Drawn kept(Asked asked) {
        return KEPT.get(asked, Asked::draw);
    }
}
