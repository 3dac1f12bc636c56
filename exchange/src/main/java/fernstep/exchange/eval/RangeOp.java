package fernstep.exchange.eval;

import fernstep.core.body.Body;
import fernstep.core.body.Dial;
import fernstep.core.body.RangePoint;
import fernstep.core.body.RangeSolver;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import fernstep.exchange.casefile.CaseObject;
import java.util.Map;
import java.util.function.Supplier;

/** {@code op: "range"}: how far a rung may go for a ceiling of load. */
final class RangeOp implements Operation {
    private final Supplier<Catalogue> catalogue;

    RangeOp(Supplier<Catalogue> catalogue) {
        this.catalogue = catalogue;
    }

    @Override
    public Map<String, Object> answer(CaseObject request) {
        Rung rung = RungReader.read(request, "rung", catalogue.get());
        request.optionalCode("side", Side.class);
        double ceiling = request.number("ceilingIndex", Range.LOAD_INDEX);
        Body body = BodyReader.read(request);
        request.nothingElse();
        if (rung.family() == null || !rung.hasRange()) {
            throw request.problem("rung", rung.code() + " has no range to solve", "a rung with a range and a load");
        }
        RangeSolver.Answer answer = RangeSolver.solve(rung.movement(), body, ceiling);
        if (answer instanceof RangeSolver.Answer.Reached reached) {
            RangePoint p = reached.point();
            Dial dial = rung.movement().dial();
            return Json.object(
                    "range",
                    Numbers.rounded(p.range(), 3),
                    "angleDeg",
                    dial.unit() == Dial.Unit.DEG ? Numbers.rounded(p.value(), 1) : null,
                    dial.ofTheArm() || dial == Dial.SURFACE ? "handHeightCm" : "heelHeightCm",
                    Json.rounded(p.heightCm()),
                    "loadIndex",
                    Json.rounded(p.load().loadIndex()),
                    "holdIndex",
                    Json.rounded(p.held().loadIndex()));
        }
        RangeSolver.Answer.NotReachable not = (RangeSolver.Answer.NotReachable) answer;
        return Json.object("reachable", false, "easiestIndex", Json.rounded(not.easiestIndex()));
    }
}
