package fernstep.exchange.eval;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.forecast.Forecast;
import fernstep.core.forecast.Forecast.Counts;
import fernstep.core.measure.Range;
import fernstep.core.plan.Goal;
import fernstep.core.plan.Plan;
import fernstep.core.progress.TrainingWeeks;
import fernstep.core.schedule.TrainingDays;
import fernstep.core.screening.Strand;
import fernstep.exchange.casefile.CaseObject;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/** {@code op: "forecast"}: when what is ahead comes within reach. */
final class ForecastOp implements Operation {
    private static final int USUAL_RUNS = 1000;
    private static final int USUAL_WEEKS = 26;

    private final Supplier<Catalogue> catalogue;

    ForecastOp(Supplier<Catalogue> catalogue) {
        this.catalogue = catalogue;
    }

    @Override
    public Map<String, Object> answer(CaseObject request) {
        PlanRequest asked = PlanRequest.read(request, catalogue.get());
        int seed = request.optionalWhole("seed", Range.SEED).orElse(1);
        int runs = request.optionalWhole("runs", Range.RUNS).orElse(USUAL_RUNS);
        int weeks = request.optionalWhole("weeks", Range.WEEKS).orElse(USUAL_WEEKS);
        Counts sessions =
                request.optionalObject("adherence").map(ForecastOp::adherence).orElse(Counts.NONE);
        Map<Strand, Counts> clean = clean(request);
        Goal goal = asked.question().wishes().goal();
        LocalDate goalDate = request.optionalDate("goalDate").orElse(null);
        if (goalDate != null && !goalDate.isAfter(asked.today())) {
            throw request.problem("goalDate", "a goal lies ahead", "after " + asked.today());
        }
        request.nothingElse();

        Plan plan = Plan.of(asked.question());
        int daysPerWeek = plan.daysPerWeek().orElse(asked.question().wishes().daysAtMost());
        Forecast.Question question = new Forecast.Question(
                catalogue.get(),
                asked.question().wishes().stances().dose(),
                Forecast.Start.of(asked.question(), plan, TrainingDays.of(daysPerWeek, asked.blocked())),
                new Forecast.TrackRecord(sessions, clean, weeks(asked, daysPerWeek)),
                new Forecast.Horizon(asked.today(), weeks, runs, seed),
                goal,
                goalDate);
        Forecast forecast = Forecast.of(question);
        return asJson(forecast, goal == null ? List.of() : Forecast.whatIf(question));
    }

    private static Counts weeks(PlanRequest asked, int planned) {
        List<TrainingWeeks.Week> all = TrainingWeeks.of(asked.results(), planned, asked.today());
        int yes = (int) all.stream().filter(TrainingWeeks.Week::clean).count();
        return new Counts(yes, all.size() - yes);
    }

    private static Counts adherence(CaseObject object) {
        int done = object.whole("done", Range.SESSIONS);
        int planned = object.whole("planned", Range.SESSIONS);
        if (planned < done) {
            throw object.problem("planned", "fewer were planned than done", "from " + done + " on");
        }
        object.nothingElse();
        return new Counts(done, planned - done);
    }

    /** Results by strand: {"LEG_FLOAT": {"clean": 12, "unclean": 3}}. */
    private static Map<Strand, Counts> clean(CaseObject request) {
        Map<Strand, Counts> counts = new EnumMap<>(Strand.class);
        request.optionalObject("results").ifPresent(results -> {
            for (Strand strand : Strand.values()) {
                results.optionalObject(strand.name()).ifPresent(object -> {
                    counts.put(
                            strand,
                            new Counts(object.whole("clean", Range.SESSIONS), object.whole("unclean", Range.SESSIONS)));
                    object.nothingElse();
                });
            }
            results.nothingElse();
        });
        return counts;
    }

    private static Map<String, Object> asJson(Forecast forecast, List<Forecast.WhatIf> whatIf) {
        Forecast.Bottleneck b = forecast.bottleneck();
        Forecast.Awaits awaits = forecast.awaits();
        return Json.object(
                "rungs",
                forecast.routes().stream()
                        .map(route -> quantiles(
                                Json.object("rung", route.rung().code(), "side", Json.text(route.side())),
                                route.opens()))
                        .toList(),
                "goalBy",
                forecast.goal() == null || forecast.goalChance() == null
                        ? null
                        : quantiles(Json.object("chance", Json.rounded(forecast.goalChance())), forecast.goal()),
                "awaitsCheck",
                awaits == null ? null : Json.object("gate", awaits.gate(), "by", Json.text(awaits.by())),
                "bottleneck",
                b == null
                        ? null
                        : Json.object(
                                "strand",
                                b.strand(),
                                "rung",
                                b.rung(),
                                "gate",
                                b.gate(),
                                "opensOn",
                                Json.text(b.gateOpens()),
                                "needs",
                                Json.text(b.needs())),
                "whatIf",
                whatIf.stream().map(ForecastOp::whatIf).toList());
    }

    private static Map<String, Object> quantiles(Map<String, Object> json, Forecast.Quantiles quantiles) {
        json.put("p10", day(quantiles.p10()));
        json.put("p50", day(quantiles.p50()));
        json.put("p90", day(quantiles.p90()));
        return json;
    }

    private static @Nullable String day(@Nullable LocalDate day) {
        return Json.text(day);
    }

    private static Map<String, Object> whatIf(Forecast.WhatIf whatIf) {
        return Json.object(
                "change",
                whatIf.change(),
                "p50",
                Json.text(whatIf.p50()),
                "chance",
                Json.rounded(whatIf.goalChance()),
                "ifGivenBy",
                Json.text(whatIf.givenBy()));
    }
}
