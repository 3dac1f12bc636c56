package fernstep.exchange.eval;

import fernstep.core.body.Dial;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.measure.Reason;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.Proposal;
import fernstep.exchange.casefile.CaseObject;
import fernstep.exchange.wording.Wording;
import java.time.LocalDate;
import java.util.Map;
import java.util.Objects;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** {@code op: "plan"}: what to do next, for how long, and why. Minutes and seconds are those of one session. */
final class PlanOp implements Operation {
    private static final double SECONDS_PER_MINUTE = 60.0;

    private final Wording wording;
    private final Supplier<Catalogue> catalogue;
    private final ScreenOp screen;

    PlanOp(Wording wording, Supplier<Catalogue> catalogue) {
        this.wording = wording;
        this.catalogue = catalogue;
        this.screen = new ScreenOp(wording);
    }

    @Override
    public Map<String, Object> answer(CaseObject request) {
        PlanRequest asked = PlanRequest.read(request, catalogue.get());
        request.nothingElse();
        Plan plan = Plan.of(asked.question());
        Proposal proposal = Proposal.of(asked.facts(), asked.question().findings(), asked.cleared(), asked.today());
        return Json.object(
                "screening",
                screen.asJson(asked.question().screening()),
                "items",
                plan.items().stream().map(this::item).toList(),
                "minutesTotal",
                Json.rounded(plan.secondsTotal() / SECONDS_PER_MINUTE),
                "loadSecondsTotal",
                plan.loadSecondsTotal(),
                "notOpen",
                plan.notOpen().stream().map(this::notOpen).toList(),
                "proposedApproach",
                Json.object(
                        "code",
                        proposal.approach(),
                        "reason",
                        wording.of(proposal.reason()),
                        "alternative",
                        Json.text(proposal.alternative())));
    }

    private Map<String, Object> item(PlanItem i) {
        Dial dial = i.rung().movement().dial();
        boolean ranged = i.rung().hasRange() && i.point() != null;
        boolean leg = ranged && !dial.ofTheArm();
        return Json.object(
                "rung",
                i.rung().code(),
                "side",
                i.side(),
                "dose",
                ProgressOp.doseJson(i.dose()),
                "range",
                i.range(),
                "angleDeg",
                ranged ? Json.rounded(Objects.requireNonNull(i.point()).angleDeg()) : null,
                "heelHeightCm",
                leg ? Json.rounded(Objects.requireNonNull(i.point()).heightCm()) : null,
                "minutes",
                Json.rounded(i.seconds() / SECONDS_PER_MINUTE),
                "why",
                why(i),
                "whyNotNext",
                wording.of(i.whyNotNext()),
                "stopSigns",
                i.stopSigns(),
                "firstLever",
                i.firstLever());
    }

    private String why(PlanItem i) {
        String why = wording.of(i.why());
        return i.standInFor() == null
                ? why
                : why + " "
                        + wording.of(Reason.of("why.standsInFor", i.standInFor().code()));
    }

    private Map<String, Object> notOpen(Plan.NotOpen n) {
        @Nullable
        LocalDate day = n.waiting().stream()
                .map(w -> w.opensOn())
                .filter(Objects::nonNull)
                .max(LocalDate::compareTo)
                .orElse(null);
        return Json.object(
                "strand",
                n.strand(),
                "rung",
                n.rung(),
                "waitingFor",
                n.waiting().stream().map(w -> wording.of(w.reason())).collect(Collectors.joining("; ")),
                "opensOn",
                Json.text(day));
    }
}
