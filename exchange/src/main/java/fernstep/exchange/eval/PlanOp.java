package fernstep.exchange.eval;

import fernstep.core.body.Dial;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Reason;
import fernstep.core.plan.FindingLine;
import fernstep.core.plan.LeftOut;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.PlanWarnings;
import fernstep.core.plan.Proposal;
import fernstep.exchange.casefile.CaseFileWriter;
import fernstep.exchange.casefile.CaseObject;
import fernstep.exchange.wording.Wording;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
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
        Optional<Proposal> proposal = Proposal.of(
                asked.facts(),
                asked.question().her().findings(),
                asked.cleared(),
                asked.question().screening().outcome(),
                asked.today());
        return Json.object(
                "screening",
                screen.asJson(asked.question().screening()),
                "items",
                plan.items().stream().map(this::item).toList(),
                "days",
                plan.days().stream().map(PlanOp::day).toList(),
                "minutesTotal",
                Json.rounded(plan.secondsTotal() / SECONDS_PER_MINUTE),
                "loadSecondsTotal",
                plan.loadSecondsTotal(),
                "leftOut",
                plan.leftOut().stream().map(this::leftOut).toList(),
                "notOpen",
                plan.notOpen().stream().map(this::notOpen).toList(),
                "habits",
                plan.habits().stream().map(Rung::code).toList(),
                "unserved",
                FindingLine.unserved(plan, asked.question()).stream()
                        .map(line -> Json.object("strand", line.strand(), "reason", wording.of(line.why())))
                        .toList(),
                "warnings",
                warnings(asked, plan),
                "proposedApproach",
                proposal.map(this::proposal).orElse(null));
    }

    private Map<String, Object> proposal(Proposal p) {
        return Json.object(
                "code", p.approach(), "reason", wording.of(p.reason()), "alternative", Json.text(p.alternative()));
    }

    private List<String> warnings(PlanRequest asked, Plan plan) {
        List<Reason> all = new ArrayList<>(PlanWarnings.ofHer(asked.question().screening(), 0, asked.today()));
        all.addAll(PlanWarnings.of(
                plan, asked.question().wishes(), asked.question().training().heldClean(), asked.today()));
        return all.stream().map(wording::of).toList();
    }

    private static Map<String, Object> day(Plan.Day day) {
        return Json.object(
                "day",
                day.name(),
                "items",
                day.items().stream()
                        .map(i -> Json.object("rung", i.rung().code(), "side", i.side()))
                        .toList());
    }

    private Map<String, Object> item(PlanItem i) {
        Dial dial = i.rung().movement().dial();
        boolean ranged = i.rung().hasRange() && i.point() != null;
        return Json.object(
                "rung",
                i.rung().code(),
                "side",
                i.side(),
                "role",
                i.role(),
                "position",
                i.position(),
                "dose",
                CaseFileWriter.dose(i.dose()),
                "range",
                i.range(),
                "angleDeg",
                ranged && dial.unit() == Dial.Unit.DEG
                        ? Json.rounded(Objects.requireNonNull(i.point()).value())
                        : null,
                "heelHeightCm",
                ranged && dial.ofTheLeg()
                        ? Json.rounded(Objects.requireNonNull(i.point()).heightCm())
                        : null,
                "rangeText",
                ranged ? wording.range(dial, Objects.requireNonNull(i.point())) : null,
                "loadIndex",
                i.point() == null ? null : Json.rounded(i.point().load().loadIndex()),
                "holdIndex",
                i.point() == null ? null : Json.rounded(i.point().held().loadIndex()),
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
        List<String> why = new ArrayList<>();
        why.add(wording.of(i.why()));
        if (i.standInFor() != null) {
            why.add(wording.of(Reason.of("why.standsInFor", i.standInFor().name())));
        }
        if (i.opened() != null) {
            why.add(wording.of(i.opened()));
        }
        if (i.support() != null) {
            why.add(wording.of(Reason.of("why.support", i.support())));
        }
        return String.join(" ", why);
    }

    private Map<String, Object> leftOut(LeftOut l) {
        return Json.object("strand", l.strand(), "rung", l.items().get(0).rung().code(), "reason", wording.of(l.why()));
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
                n.rung().code(),
                "waitingFor",
                n.waiting().stream().map(w -> wording.of(w.reason())).collect(Collectors.joining("; ")),
                "opensOn",
                Json.text(day));
    }
}
