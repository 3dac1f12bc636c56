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

    private Map<String, Object> proposal(Proposal proposal) {
        return Json.object(
                "code",
                proposal.approach(),
                "reason",
                wording.of(proposal.reason()),
                "alternative",
                Json.text(proposal.alternative()));
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
                        .map(item -> Json.object("rung", item.rung().code(), "side", item.side()))
                        .toList());
    }

    private Map<String, Object> item(PlanItem item) {
        Dial dial = item.rung().movement().dial();
        boolean ranged = item.rung().hasRange() && item.point() != null;
        return Json.object(
                "rung",
                item.rung().code(),
                "side",
                item.side(),
                "role",
                item.role(),
                "position",
                item.position(),
                "dose",
                CaseFileWriter.dose(item.dose()),
                "range",
                item.range(),
                "angleDeg",
                ranged && dial.unit() == Dial.Unit.DEG
                        ? Json.rounded(Objects.requireNonNull(item.point()).value())
                        : null,
                "heelHeightCm",
                ranged && dial.ofTheLeg()
                        ? Json.rounded(Objects.requireNonNull(item.point()).heightCm())
                        : null,
                "rangeText",
                ranged ? wording.range(dial, Objects.requireNonNull(item.point())) : null,
                "loadIndex",
                item.point() == null ? null : Json.rounded(item.point().load().loadIndex()),
                "holdIndex",
                item.point() == null ? null : Json.rounded(item.point().held().loadIndex()),
                "minutes",
                Json.rounded(item.seconds() / SECONDS_PER_MINUTE),
                "why",
                why(item),
                "whyNotNext",
                wording.of(item.whyNotNext()),
                "stopSigns",
                item.stopSigns(),
                "firstLever",
                item.firstLever());
    }

    private String why(PlanItem item) {
        List<String> why = new ArrayList<>();
        why.add(wording.of(item.why()));
        if (item.standInFor() != null) {
            why.add(wording.of(Reason.of("why.standsInFor", item.standInFor().name())));
        }
        if (item.opened() != null) {
            why.add(wording.of(item.opened()));
        }
        if (item.support() != null) {
            why.add(wording.of(Reason.of("why.support", item.support())));
        }
        return String.join(" ", why);
    }

    private Map<String, Object> leftOut(LeftOut out) {
        return Json.object(
                "strand", out.strand(), "rung", out.items().get(0).rung().code(), "reason", wording.of(out.why()));
    }

    private Map<String, Object> notOpen(Plan.NotOpen open) {
        @Nullable
        LocalDate day = open.waiting().stream()
                .map(waiting -> waiting.opensOn())
                .filter(Objects::nonNull)
                .max(LocalDate::compareTo)
                .orElse(null);
        return Json.object(
                "strand",
                open.strand(),
                "rung",
                open.rung().code(),
                "waitingFor",
                open.waiting().stream()
                        .map(waiting -> wording.of(waiting.reason()))
                        .collect(Collectors.joining("; ")),
                "opensOn",
                Json.text(day));
    }
}
