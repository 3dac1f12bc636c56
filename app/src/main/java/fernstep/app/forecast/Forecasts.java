package fernstep.app.forecast;

import fernstep.app.client.ClientFile;
import fernstep.app.plan.Plans;
import fernstep.app.progress.LadderLog;
import fernstep.app.progress.ResultRow;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Today;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.forecast.Forecast;
import fernstep.core.forecast.Forecast.Counts;
import fernstep.core.plan.Place;
import fernstep.core.plan.Plan;
import fernstep.core.progress.SessionResult;
import fernstep.core.progress.TrainingWeeks;
import fernstep.core.schedule.TrainingDays;
import fernstep.core.screening.Strand;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Puts the question for a forecast together from what is on file. */
@Service
public class Forecasts {
    static final int WEEKS = 26;
    private static final int RUNS = 1000;
    private static final int ADHERENCE_LOOKS_BACK_DAYS = 56;
    private static final int CLEAN_LOOKS_BACK_DAYS = 90;
    private static final double WEEK = 7;

    private final Plans plans;
    private final Catalogues catalogues;
    private final Today today;

    public Forecasts(Plans plans, Catalogues catalogues, Today today) {
        this.plans = plans;
        this.catalogues = catalogues;
        this.today = today;
    }

    /** A forecast with what one change would bring. */
    public record Outlook(
            Forecast.Question question, Forecast forecast, List<Forecast.WhatIf> whatIf, Set<Strand> inTraining) {

        /** There is a goal, and no change brings it nearer. */
        public boolean noneHelps() {
            return question.goal() != null
                    && Forecast.noneHelps(
                            forecast.goal() == null ? null : forecast.goal().p50(), whatIf);
        }
    }

    /** @param otherwise what is switched on */
    public Outlook of(ClientFile client, Set<Forecast.Change> otherwise) {
        Plans.Desk desk = plans.desk(client);
        Outlook asItIs = by(desk, desk.question(), desk.plan());
        return otherwise.isEmpty()
                ? asItIs
                : new Outlook(
                        asItIs.question(),
                        Forecast.of(asItIs.question().with(otherwise)),
                        asItIs.whatIf(),
                        asItIs.inTraining());
    }

    /**
     * From a question and the plan it gives: hers, or what other stances would make of it.
     *
     * @param other asked of the same client as the desk
     */
    public Outlook by(Plans.Desk desk, Plan.Question other, Plan plan) {
        LocalDate day = today.date();
        ClientFile client = desk.client();
        int daysPerWeek = plan.daysPerWeek().orElse(other.wishes().daysAtMost());
        Set<DayOfWeek> training = TrainingDays.of(daysPerWeek, client.settings().blocked());
        Forecast.Question question = new Forecast.Question(
                catalogues.get(),
                other.wishes().stances().dose(),
                Forecast.Start.of(other, plan, training),
                new Forecast.TrackRecord(
                        sessions(desk.log(), training.size(), day),
                        clean(desk.log().results(), day),
                        weeks(desk.log().results(), training.size(), day)),
                new Forecast.Horizon(day, WEEKS, RUNS, client.id()),
                client.settings().goal(),
                client.settings().goalDate());
        return new Outlook(
                question,
                Forecast.of(question),
                client.settings().goal() == null ? List.of() : Forecast.whatIf(question),
                other.training().places().stream().map(Place::strand).collect(Collectors.toSet()));
    }

    private static Counts weeks(List<ResultRow> results, int planned, LocalDate day) {
        List<TrainingWeeks.Week> all =
                TrainingWeeks.of(results.stream().map(ResultRow::asResult).toList(), planned, day);
        int yes = (int) all.stream().filter(TrainingWeeks.Week::clean).count();
        return new Counts(yes, all.size() - yes);
    }

    /** Days trained and days missed since she began, eight weeks back at most. */
    static Counts sessions(LadderLog log, int daysPerWeek, LocalDate day) {
        LocalDate since = log.steps().stream()
                .map(row -> row.since())
                .min(LocalDate::compareTo)
                .filter(each -> each.isAfter(day.minusDays(ADHERENCE_LOOKS_BACK_DAYS)))
                .orElse(day.minusDays(ADHERENCE_LOOKS_BACK_DAYS));
        int planned = (int) Math.round(ChronoUnit.DAYS.between(since, day) / WEEK * daysPerWeek);
        int done = (int) log.results().stream()
                .map(ResultRow::heldOn)
                .filter(each -> !each.isBefore(since))
                .distinct()
                .count();
        return log.steps().isEmpty() ? Counts.NONE : new Counts(done, Math.max(0, planned - done));
    }

    private Map<Strand, Counts> clean(List<ResultRow> results, LocalDate day) {
        Catalogue catalogue = catalogues.get();
        Map<Strand, Counts> counts = new EnumMap<>(Strand.class);
        results.stream()
                .filter(row -> row.heldOn().isAfter(day.minusDays(CLEAN_LOOKS_BACK_DAYS)))
                .forEach(row -> catalogue.find(row.rung()).ifPresent(rung -> {
                    boolean clean = row.result() == SessionResult.Kind.CLEAN;
                    counts.merge(
                            rung.strand(),
                            new Counts(clean ? 1 : 0, clean ? 0 : 1),
                            (one, other) -> new Counts(one.yes() + other.yes(), one.no() + other.no()));
                }));
        return counts;
    }
}
