package fernstep.app.figure;

import fernstep.core.body.Body;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What a sign looks like on her, doing this. */
public record SignPicture(SignCode sign, Drawn figure) {
    /** Of those she is to watch for herself: more are not looked at. */
    public static final int FOR_HER = 3;

    /** Every sign that a picture can show on this rung; those it is watched for come first. */
    public static List<SignPicture> all(Rung rung, Body body, @Nullable Side side, double range) {
        List<SignCode> drawn = FigureDrawing.signsOf(rung);
        return made(
                Stream.concat(rung.watch().stream().filter(drawn::contains), drawn.stream())
                        .distinct(),
                new Figures.Asking(rung, body, side, range, false));
    }

    /** The first few that this rung is watched for. */
    public static List<SignPicture> watched(Rung rung, Body body, @Nullable Side side, double range) {
        return made(first(rung), new Figures.Asking(rung, body, side, range, false));
    }

    /** The same for paper. */
    public static List<SignPicture> watchedPrinted(Rung rung, Body body, @Nullable Side side, double range) {
        return made(first(rung), new Figures.Asking(rung, body, side, range, true));
    }

    private static Stream<SignCode> first(Rung rung) {
        List<SignCode> drawn = FigureDrawing.signsOf(rung);
        return rung.watch().stream().filter(drawn::contains).limit(FOR_HER);
    }

    private static List<SignPicture> made(Stream<SignCode> signs, Figures.Asking asking) {
        return signs.map(sign -> new SignPicture(sign, Figures.sign(asking, sign)))
                .toList();
    }
}
