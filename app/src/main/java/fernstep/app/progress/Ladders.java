package fernstep.app.progress;

import fernstep.app.ask.Visits;
import fernstep.app.catalogue.Catalogues;
import fernstep.app.check.CheckSheet;
import fernstep.app.check.Checks;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.support.NotFound;
import fernstep.app.support.Today;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Window;
import fernstep.core.client.Restriction;
import fernstep.core.findings.Findings;
import fernstep.core.measure.Side;
import fernstep.core.plan.DoseRules;
import fernstep.core.plan.Place;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.plan.RungGates;
import fernstep.core.plan.Waiting;
import fernstep.core.progress.Frond;
import fernstep.core.progress.Progress;
import fernstep.core.progress.SessionResult;
import fernstep.core.screening.Outcome;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Where a client stands on every strand, and what her log says should change. */
@Service
public class Ladders {
    private static final Set<Progress.Change> MOVES = Set.of(
            Progress.Change.NOTCH_UP, Progress.Change.NEXT_RUNG, Progress.Change.NOTCH_DOWN, Progress.Change.RUNG_DOWN);
    static final String START = "START";

    private final LadderMapper mapper;
    private final Catalogues catalogues;
    private final Clients clients;
    private final Visits visits;
    private final Checks checks;
    private final Today today;

    public Ladders(
            LadderMapper mapper, Catalogues catalogues, Clients clients, Visits visits, Checks checks, Today today) {
        this.mapper = mapper;
        this.catalogues = catalogues;
        this.clients = clients;
        this.visits = visits;
        this.checks = checks;
        this.today = today;
    }

    /** One place, its log since it was reached, and what the rules make of it. */
    public record Standing(LadderRow step, Rung rung, List<ResultRow> log, Progress progress) {
        public boolean canMove() {
            return MOVES.contains(progress.change());
        }
    }

    public List<Place> places(long clientId) {
        return mapper.current(clientId).stream().map(LadderRow::asPlace).toList();
    }

    /**
     * Everything about where she stands, read once.
     *
     * @param latest her newest separation check, or null
     */
    public record Overview(
            List<Standing> standings,
            List<Frond> fronds,
            @Nullable CheckSheet latest) {}

    public List<Standing> standings(ClientFile client) {
        return overview(client, visits.screeningToday(client)).standings();
    }

    public Overview overview(ClientFile client, Screening screening) {
        List<LadderRow> steps = mapper.current(client.id());
        LocalDate since = steps.stream()
                .map(LadderRow::since)
                .min(Comparator.naturalOrder())
                .orElse(today.date());
        List<ResultRow> results = mapper.resultsSince(client.id(), since);
        CheckSheet latest = checks.latestSheet(client, today.date()).orElse(null);
        Context context = context(client, screening, steps, latest != null && latest.widenedAtRest());
        Set<RungGates.Done> helped = helped(steps, results);
        List<Place> places = steps.stream().map(LadderRow::asPlace).toList();
        return new Overview(
                steps.stream().map(s -> standing(s, results, context)).toList(),
                catalogues.get().strands().stream()
                        .map(s -> Frond.of(s, places, helped, client.stances().dose(), context.known()))
                        .toList(),
                latest);
    }

    /** How each rung stands for her, by its code: the state of the weaker side's leaf in small letters. */
    public Map<String, String> leaves(ClientFile client) {
        Map<String, String> leaves = new HashMap<>();
        overview(client, visits.screeningToday(client)).fronds().stream()
                .flatMap(f -> f.pairs().stream())
                .forEach(p -> leaves.put(
                        p.rung().code(),
                        (p.left().state().compareTo(p.right().state()) <= 0 ? p.left() : p.right())
                                .state()
                                .name()
                                .toLowerCase(Locale.ROOT)));
        return leaves;
    }

    /** What a rung still waits for, for her today. */
    public List<Waiting> waiting(ClientFile client, Rung rung, @Nullable Side side) {
        List<LadderRow> steps = mapper.current(client.id());
        return RungGates.waiting(
                rung,
                side,
                context(client, visits.screeningToday(client), steps, false).known());
    }

    public Set<Restriction> closed(ClientFile client) {
        return visits.screeningToday(client).closed();
    }

    /** Takes a move that the rules offer; sent twice it is taken once. */
    @Transactional
    public void confirm(long stepId, long staffId) {
        LadderRow step = mapper.byId(stepId).orElseThrow(() -> new NotFound("no step " + stepId));
        ClientFile client = clients.file(step.clientId());
        standings(client).stream()
                .filter(s -> Objects.equals(s.step().id(), stepId))
                .filter(Standing::canMove)
                .findFirst()
                .ifPresent(s -> mapper.insert(LadderRow.of(
                        client.id(),
                        step.strand(),
                        step.sideOrNull(),
                        s.progress().rung(),
                        s.progress().dose(),
                        today.date(),
                        s.progress().change().name(),
                        staffId,
                        stepId,
                        step.rangeFraction())));
    }

    /** Puts her at the start of what the plan opens, where she has no place yet. */
    @Transactional
    public void start(ClientFile client, List<PlanItem> items, long staffId, LocalDate since) {
        List<Place> places = places(client.id());
        for (PlanItem item : items) {
            boolean placed =
                    places.stream().anyMatch(p -> p.strand() == item.rung().strand() && p.side() == item.side());
            if (!placed) {
                mapper.insert(LadderRow.of(
                        client.id(),
                        item.rung().strand(),
                        item.side(),
                        item.rung().code(),
                        item.baseDose(),
                        since,
                        START,
                        staffId,
                        0,
                        item.range()));
            }
        }
    }

    private record Context(
            ClientFile client, Screening screening, RungGates.Known known, boolean widened, LocalDate today) {}

    private Context context(ClientFile client, Screening screening, List<LadderRow> steps, boolean widened) {
        Findings findings = checks.findings(client.id(), today.date());
        List<Place> places = steps.stream().map(LadderRow::asPlace).toList();
        RungGates.Known known = new RungGates.Known(
                screening, client.facts().pregnant(), findings, Plan.done(catalogues.get(), findings, places));
        return new Context(client, screening, known, widened, today.date());
    }

    private Standing standing(LadderRow step, List<ResultRow> results, Context c) {
        Rung rung = catalogues.get().rung(step.rung());
        Window window = DoseRules.window(rung.window(), c.client().stances().dose());
        List<ResultRow> log = logOf(step, results);
        Progress progress = Progress.of(new Progress.Question(
                catalogues.get(),
                rung,
                step.sideOrNull(),
                step.dose(),
                window,
                c.client().stances().dose(),
                log.stream().map(ResultRow::asResult).toList(),
                c.today(),
                c.screening().recheckDue(),
                c.widened(),
                c.screening().outcome() == Outcome.ASK_FIRST || c.screening().outcome() == Outcome.REFER_NOW,
                c.known()));
        return new Standing(step, rung, log, progress);
    }

    /** Results of this rung and side since the step; on the day of a change only what came after it counts. */
    private static List<ResultRow> logOf(LadderRow step, List<ResultRow> results) {
        boolean start = step.changeCode().equals(START);
        return results.stream()
                .filter(r -> r.rung().equals(step.rung()) && r.side().equals(step.side()))
                .filter(r ->
                        start ? !r.heldOn().isBefore(step.since()) : r.heldOn().isAfter(step.since()))
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
