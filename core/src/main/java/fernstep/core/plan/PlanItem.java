package fernstep.core.plan;

import fernstep.core.body.Position;
import fernstep.core.body.RangePoint;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One thing to do.
 *
 * @param strand the strand it trains; a stand-in may be a rung of another
 * @param rung as she does it: inclined or on forearms where that opens it
 * @param standInFor the rung whose place this one takes because its position is closed; null as a rule
 * @param standInKind how it differs; null with no stand-in
 * @param baseDose her dose on this rung
 * @param dose what to do today: the base, and one set more on the weaker side
 * @param range 0 easiest to 1 full
 * @param point angle, height and load at that range; null where no load is followed
 * @param seconds time for all sets with the rest between them
 */
public record PlanItem(
        Strand strand,
        Rung rung,
        @Nullable Side side,
        @Nullable Rung standInFor,
        StandIns.@Nullable Kind standInKind,
        Dose baseDose,
        Dose dose,
        double range,
        @Nullable RangePoint point,
        int seconds,
        int loadSeconds,
        Reason why,
        Reason whyNotNext,
        List<SignCode> stopSigns,
        @Nullable Lever firstLever) {

    /** Where she begins it: rolling to the side begins on the back. */
    public Position position() {
        Position at = rung.movement().start().position();
        return at == Position.INCLINED ? Position.SUPINE : at;
    }

    PlanItem with(Dose base, Dose today) {
        return new PlanItem(
                strand,
                rung,
                side,
                standInFor,
                standInKind,
                base,
                today,
                range,
                point,
                SessionTime.seconds(rung, today),
                SessionTime.loadSeconds(rung, today),
                why,
                whyNotNext,
                stopSigns,
                firstLever);
    }
}
