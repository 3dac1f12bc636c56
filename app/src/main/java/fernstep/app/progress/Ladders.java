package fernstep.app.progress;

import fernstep.app.ask.Visits;
import fernstep.app.check.CheckSheet;
import fernstep.app.check.Checks;
import fernstep.app.client.ClientFile;
import fernstep.app.rungs.Catalogues;
import fernstep.app.standing.Standings;
import fernstep.app.support.Today;
import fernstep.core.body.Capacity;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Window;
import fernstep.core.client.Restriction;
import fernstep.core.findings.Findings;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.DoseRules;
import fernstep.core.plan.Place;
import fernstep.core.plan.Plan;
import fernstep.core.plan.RungGates;
import fernstep.core.plan.SessionTime;
import fernstep.core.plan.TrainedLoad;
import fernstep.core.plan.Waiting;
import fernstep.core.plan.Wishes;
import fernstep.core.progress.Frond;
import fernstep.core.progress.Progress;
import fernstep.core.progress.RangeGrowth;
import fernstep.core.progress.SessionResult;
import fernstep.core.progress.StillEased;
import fernstep.core.progress.TrainingWeeks;
import fernstep.core.screening.Outcome;
import fernstep.core.screening.Screening;
import fernstep.core.standing.Permission;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Where a client stands on every strand, and what her log says should change. */
@Service
public class Ladders {
    private static final int LOOK_BACK_DAYS = 365;

    private final LadderMapper mapper;
    private final Catalogues catalogues;
    private final Visits visits;
    private final Checks checks;
    private final Standings standings;
    private final Today today;

    public Ladders(
            LadderMapper mapper,
            Catalogues catalogues,
            Visits visits,
            Checks checks,
            Standings standings,
            Today today) {
        this.mapper = mapper;
        this.catalogues = catalogues;
        this.visits = visits;
        this.checks = checks;
        this.standings = standings;
        this.today = today;
    }

    public LadderLog log(ClientFile client) {
        List<LadderRow> steps = mapper.current(client.id());
        LocalDate day = today.date();
        LocalDate since = steps.stream()
                .map(LadderRow::since)
                .reduce(day.minusDays(LOOK_BACK_DAYS), (one, other) -> one.isBefore(other) ? one : other);
        return log(client, steps, mapper.resultsSince(client.id(), since));
    }

    private LadderLog log(ClientFile client, List<LadderRow> steps, List<ResultRow> results) {
        return new LadderLog(
                steps,
                results,
                history(client, steps, results),
                Capacities.heldClean(client, results, catalogues.get()),
                EasedLog.of(
                        steps,
                        mapper.cleanSettings(client.id(), today.date().minusDays(LOOK_BACK_DAYS)),
                        catalogues.get()),
                checks.lastFindings(client.id(), today.date()).orElse(null),
                new TrainedLoad(results.stream()
                        .flatMap(row -> load(row, steps, client).stream())
                        .toList()));
    }

    /** Of one session; where it is not on record how much was done, her dose of that rung. */
    private Optional<TrainedLoad.Done> load(ResultRow result, List<LadderRow> steps, ClientFile client) {
        return catalogues
                .get()
                .find(result.rung())
                .filter(rung -> rung.family() != null)
                .map(rung -> {
                    Dose dose = steps.stream()
                            .filter(step -> step.rung().equals(result.rung()))
                            .map(LadderRow::dose)
                            .findFirst()
                            .orElseGet(
                                    () -> DoseRules.first(rung, client.stances().dose()));
                    double index = rung.indexAt(result.rangeFraction(), client.body());
                    return new TrainedLoad.Done(
                            result.heldOn(),
                            Objects.requireNonNull(rung.family()),
                            index * SessionTime.loadSeconds(rung, result.doneOf(dose)));
                });
    }

    private RungGates.History history(ClientFile client, List<LadderRow> steps, List<ResultRow> results) {
        LocalDate day = today.date();
        Map<String, Integer> atTop = new HashMap<>();
        for (LadderRow step : steps) {
            Rung rung = catalogues.get().rung(step.rung());
            Window window = DoseRules.window(rung.window(), client.stances().dose());
            if (DoseRules.atTop(step.dose(), window)) {
                atTop.merge(step.rung(), (int) ChronoUnit.WEEKS.between(step.since(), day), Math::min);
            }
        }
        int cleanWeeks = (int) weeks(client, results).stream()
                .filter(TrainingWeeks.Week::clean)
                .count();
        return new RungGates.History(cleanWeeks, atTop);
    }

    /** Week by week since her log began. */
    List<TrainingWeeks.Week> weeks(ClientFile client, List<ResultRow> results) {
        return TrainingWeeks.of(results.stream().map(ResultRow::asResult).toList(), planned(client), today.date());
    }

    /** On how many days a week her sessions are planned. */
    static int planned(ClientFile client) {
        int hers = Math.min(
                client.row().daysPerWeek(),
                DayOfWeek.values().length - client.settings().blocked().size());
        return Math.max(1, Math.min(hers, DoseRules.daysPerWeek(client.stances().dose())));
    }

    /**
     * Everything about where she stands, read once.
     *
     * @param latest her newest separation check, or null
     */
    public record Overview(
            List<Standing> standings,
            List<Frond> fronds,
            @Nullable CheckSheet latest,
            LadderLog log) {}

    public List<Standing> standings(ClientFile client) {
        return overview(client, visits.screeningToday(client)).standings();
    }

    /** The moves the rules offer, in full. */
    public List<Standing> standings(ClientFile client, Screening screening) {
        return overview(client, screening).standings();
    }

    public Overview overview(ClientFile client, Screening screening) {
        LadderLog log = log(client);
        CheckSheet latest = checks.latestSheet(client, today.date()).orElse(null);
        Findings findings = checks.findings(client.id(), today.date());
        Context context = context(
                client, screening, log, findings, latest != null && latest.widenedAtRest(), standings.of(client.id()));
        Set<RungGates.Done> helped = helped(log.steps(), log.results());
        List<Place> places = log.places();
        return new Overview(
                standings(context, mapper.holds(client.id())),
                catalogues.get().strands().stream()
                        .map(strand -> Frond.of(
                                strand, places, helped, client.stances().dose(), context.known()))
                        .toList(),
                latest,
                log);
    }

    /**
     * Which moves the rules offer, from rows that were read for many clients at once. How far a range would go is not
     * worked out, and whether the last re-check showed a widening is not looked at: whoever is to go up is asked about
     * again by {@link #standings(ClientFile)}.
     */
    public List<Standing> outline(
            ClientFile client,
            Screening screening,
            List<LadderRow> steps,
            List<ResultRow> results,
            List<HoldRow> holds,
            Findings findings,
            fernstep.core.standing.Standing reported) {
        LadderLog log = new LadderLog(
                steps, results, history(client, steps, results), List.of(), EasedLog.NOTHING, null, TrainedLoad.NONE);
        Context context = context(client, screening, log, findings, false, reported);
        return standings(context.inOutline(), holds);
    }

    private List<Standing> standings(Context context, List<HoldRow> holds) {
        Map<Long, HoldRow> held = new HashMap<>();
        holds.forEach(row -> held.put(row.stepId(), row));
        return context.log().steps().stream()
                .sorted(Comparator.comparing(LadderRow::strand).thenComparing(LadderRow::side))
                .map(row -> standing(row, context, held.get(row.id())))
                .toList();
    }

    /** How each rung stands for her, by its code: the state of the weaker side's leaf in small letters. */
    public Map<String, String> leaves(ClientFile client) {
        Map<String, String> leaves = new HashMap<>();
        overview(client, visits.screeningToday(client)).fronds().stream()
                .flatMap(frond -> frond.pairs().stream())
                .forEach(pair -> leaves.put(
                        pair.rung().code(),
                        (pair.left().state().compareTo(pair.right().state()) <= 0 ? pair.left() : pair.right())
                                .state()
                                .name()
                                .toLowerCase(Locale.ROOT)));
        return leaves;
    }

    /** What a rung still waits for, for her today. */
    public List<Waiting> waiting(ClientFile client, Rung rung, @Nullable Side side) {
        return RungGates.waiting(
                rung,
                side,
                context(
                                client,
                                visits.screeningToday(client),
                                log(client),
                                checks.findings(client.id(), today.date()),
                                false,
                                fernstep.core.standing.Standing.NOTHING_REPORTED)
                        .known());
    }

    public Set<Restriction> closed(ClientFile client) {
        return visits.screeningToday(client).closed();
    }

    private record Context(
            ClientFile client,
            Screening screening,
            RungGates.Known known,
            LadderLog log,
            boolean widened,
            Progress.DayAfter dayAfter,
            boolean held,
            LocalDate today,
            boolean outline) {
        Context inOutline() {
            return new Context(client, screening, known, log, widened, dayAfter, held, today, true);
        }
    }

    private Context context(
            ClientFile client,
            Screening screening,
            LadderLog log,
            Findings findings,
            boolean widened,
            fernstep.core.standing.Standing reported) {
        RungGates.Known known = new Plan.Question(
                        catalogues.get(),
                        new Plan.Her(screening, client.facts().pregnant(), findings, client.body()),
                        log.training(catalogues.get(), today.date(), false),
                        Wishes.of(client.stances(), client.row().minutesPerDay()))
                .known();
        return new Context(
                client,
                screening,
                known,
                log,
                widened,
                log.dayAfter(today.date(), reported.seenOn()),
                reported.mayTrain() == Permission.SPEAK_FIRST,
                today.date(),
                false);
    }

    private int otherSidePlace(LadderRow step, LadderLog log) {
        Side side = step.sideOrNull();
        return side == null
                ? 0
                : log.steps().stream()
                        .filter(row -> row.strand() == step.strand() && row.sideOrNull() == side.other())
                        .findFirst()
                        .map(row ->
                                catalogues.get().placeOnLine(catalogues.get().rung(row.rung())))
                        .orElse(0);
    }

    private Standing standing(LadderRow step, Context context, @Nullable HoldRow held) {
        Rung rung = catalogues.get().rung(step.rung());
        Window window =
                DoseRules.window(rung.window(), context.client().stances().dose());
        List<ResultRow> log = logOf(step, context.log().results());
        Progress.RangeState range = range(step, rung, context);
        Progress progress = Progress.of(new Progress.Question(
                catalogues.get(),
                new Progress.Place(
                        rung,
                        step.sideOrNull(),
                        step.dose(),
                        window,
                        range,
                        otherSidePlace(step, context.log()),
                        EasedLog.byHelper(step),
                        context.log().easedOn(step).map(StillEased::wayBack).orElse(null)),
                context.client().stances().dose(),
                log.stream()
                        .map(row -> row.asResult(context.log().eased().cleanAt(row)))
                        .toList(),
                new Progress.Day(
                        context.today(),
                        context.screening().recheckDue(),
                        context.widened(),
                        context.screening().outcome() == Outcome.ASK_FIRST
                                || context.screening().outcome() == Outcome.REFER_NOW,
                        context.held(),
                        context.dayAfter()),
                context.known()));
        return new Standing(step, rung, log, progress, held);
    }

    private Progress.RangeState range(LadderRow step, Rung rung, Context context) {
        Progress.GrowFirst growFirst = context.client().settings().growFirst();
        double now = step.rangeFraction();
        if (context.outline()) {
            boolean grows = rung.hasRange() && rung.family() != null && now < 1;
            return new Progress.RangeState(now, grows ? Double.valueOf(1) : null, 1, 1, growFirst);
        }
        return RangeGrowth.of(
                catalogues.get(),
                rung,
                step.sideOrNull(),
                now,
                context.client().body(),
                context.log().heldClean(),
                context.client().facts().pregnant() ? Capacity.CAUTIOUS_STEP : Capacity.USUAL_STEP,
                growFirst,
                context.today());
    }

    /** Results of this rung and side since the step; on the day of a change only what came after it counts. */
    private static List<ResultRow> logOf(LadderRow step, List<ResultRow> results) {
        boolean start = step.changeCode().equals(LadderMoves.START);
        return results.stream()
                .filter(row -> row.rung().equals(step.rung()) && row.side().equals(step.side()))
                .filter(row -> start
                        ? !row.heldOn().isBefore(step.since())
                        : row.heldOn().isAfter(step.since()))
                .toList();
    }

    private static Set<RungGates.Done> helped(List<LadderRow> steps, List<ResultRow> results) {
        Set<RungGates.Done> helped = new HashSet<>();
        for (LadderRow step : steps) {
            List<ResultRow> log = new ArrayList<>(logOf(step, results));
            if (!log.isEmpty() && log.get(log.size() - 1).result() == SessionResult.Kind.HELPED) {
                helped.add(new RungGates.Done(step.rung(), step.sideOrNull()));
            }
        }
        return helped;
    }
}
