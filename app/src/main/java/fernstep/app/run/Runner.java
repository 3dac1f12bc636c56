package fernstep.app.run;

import fernstep.app.ask.Visit;
import fernstep.app.ask.VisitMapper;
import fernstep.app.ask.Visits;
import fernstep.app.catalogue.Catalogues;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.plan.Plans;
import fernstep.app.progress.LadderMapper;
import fernstep.app.progress.ResultRow;
import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.core.decision.Advice;
import fernstep.core.decision.Decisions;
import fernstep.core.decision.LeverChange;
import fernstep.core.decision.Move;
import fernstep.core.decision.Seen;
import fernstep.core.decision.Situation;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.progress.ResultRules;
import fernstep.core.screening.Answer;
import fernstep.exchange.wording.Wording;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Runs a session: takes events, asks the core for the next safe move, keeps the log. */
@Service
public class Runner {
    private static final int TOLD_LOOKS_BACK_DAYS = 28;

    private final SessionMapper mapper;
    private final LadderMapper results;
    private final VisitMapper visitMapper;
    private final Visits visits;
    private final Clients clients;
    private final Plans plans;
    private final Catalogues catalogues;
    private final Wording wording;
    private final Audit audit;

    public Runner(
            SessionMapper mapper,
            LadderMapper results,
            VisitMapper visitMapper,
            Visits visits,
            Clients clients,
            Plans plans,
            Catalogues catalogues,
            Wording wording,
            Audit audit) {
        this.mapper = mapper;
        this.results = results;
        this.visitMapper = visitMapper;
        this.visits = visits;
        this.clients = clients;
        this.plans = plans;
        this.catalogues = catalogues;
        this.wording = wording;
        this.audit = audit;
    }

    /**
     * Starts a session on today's plan; the same id again starts nothing new.
     *
     * @param day "A" or "B" where the week alternates two; null for the one whose turn it is
     */
    @Transactional
    public String start(long visitId, String sessionId, @Nullable String day, long staffId) {
        if (mapper.byId(sessionId).isPresent()) {
            return sessionId;
        }
        Visit visit = visits.byId(visitId);
        Plan plan = plans.plan(visit);
        plans.settle(visit, plan, staffId);
        mapper.insert(new SessionRow(sessionId, visit.client().id(), visit.row().heldOn(), staffId, null));
        int ordinal = 0;
        for (PlanItem item : plans.session(visit.client(), plan, visit.row().heldOn(), day)) {
            mapper.insertItem(new ItemRow(
                    sessionId,
                    ordinal++,
                    item.rung().code(),
                    item.side() == null ? "" : item.side().name(),
                    item.dose().sets(),
                    item.dose().reps(),
                    item.dose().holdS(),
                    item.dose().breaths(),
                    item.dose().perDay(),
                    item.dose().daysPerWeek(),
                    item.range()));
        }
        return sessionId;
    }

    public SessionRow session(String id) {
        return mapper.byId(id).orElseThrow(() -> new NotFound("no session " + id));
    }

    public ClientFile client(SessionRow session) {
        return clients.file(session.clientId());
    }

    public RunLog log(String sessionId) {
        return RunLog.replay(catalogues.get(), mapper.items(sessionId), mapper.events(sessionId));
    }

    /** Something the browser reports; {@code id} is made there, so that a repeat is the same event. */
    public record Report(
            String id,
            EventRow.Kind kind,
            @Nullable String sign,
            Seen.@Nullable Severity severity,
            @Nullable Integer painLevel,
            @Nullable Boolean recoverable,
            @Nullable String refersTo,
            @Nullable Move move,
            @Nullable String reason,
            @Nullable Integer value,
            @Nullable Double second) {}

    /** A session after a report, and whose it is. */
    public record Taken(RunLog log, ClientFile client) {}

    /** @throws IllegalArgumentException for a report that makes no sense */
    @Transactional
    public Taken take(String sessionId, Report report, long staffId) {
        SessionRow session = session(sessionId);
        ClientFile client = client(session);
        List<ItemRow> items = mapper.items(sessionId);
        List<EventRow> events = new ArrayList<>(mapper.events(sessionId));
        RunLog before = RunLog.replay(catalogues.get(), items, events);
        boolean known = events.stream().anyMatch(e -> e.id().equals(report.id()));
        boolean late = before.locked() && report.kind() != EventRow.Kind.FINISH;
        if (!known && !late) {
            row(session, client, before, report, staffId).ifPresent(row -> {
                mapper.insertEvent(row);
                events.add(row);
            });
        }
        RunLog after = RunLog.replay(catalogues.get(), items, events);
        if (after.ended()) {
            finish(session, after);
        }
        return new Taken(after, client);
    }

    private Optional<EventRow> row(SessionRow session, ClientFile client, RunLog log, Report r, long staffId) {
        return switch (r.kind()) {
            case SIGN -> sign(session, client, log, r);
            case OVERRIDE -> override(session, log, r, staffId);
            case EFFORT -> r.value() == null ? Optional.empty() : Optional.of(plain(session, effort(r), null));
            case UNDO -> log.lastUndoable().map(last -> plain(session, r, last.id()));
            default -> Optional.of(plain(session, r, null));
        };
    }

    /** @throws fernstep.core.measure.OutOfRange outside 0 to 10 */
    private static Report effort(Report r) {
        Range.EFFORT.check(r.value() == null ? -1 : r.value());
        return r;
    }

    private static EventRow plain(SessionRow session, Report r, @Nullable String refersTo) {
        return new EventRow(
                r.id(),
                session.id(),
                r.kind(),
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                refersTo,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                r.value(),
                null,
                null);
    }

    private Optional<EventRow> sign(SessionRow session, ClientFile client, RunLog log, Report r) {
        Optional<RunItem> current = log.current();
        if (current.isEmpty() || r.sign() == null) {
            return Optional.empty();
        }
        RunItem item = current.get();
        int rep = item.setDone ? Math.max(1, item.repsDone) : item.repsDone + 1;
        boolean again = item.soFar.stream()
                .anyMatch(x -> x.rep() == rep
                        && x.signs().stream().anyMatch(s -> s.sign().name().equals(r.sign())));
        if (again) {
            return Optional.empty();
        }
        Optional<Answer> emergency = Arrays.stream(Answer.values())
                .filter(Answer::emergency)
                .filter(a -> a.name().equals(r.sign()))
                .findFirst();
        Seen.Severity severity = r.severity() == null ? Seen.Severity.CLEAR : r.severity();
        Advice advice = Decisions.next(situation(session, client, item, emergency, r, severity, rep));
        LeverChange change = advice.change();
        emergency.ifPresent(a -> lockVisit(session, a));
        return Optional.of(new EventRow(
                r.id(),
                session.id(),
                EventRow.Kind.SIGN,
                item.rung.code(),
                item.set,
                rep,
                r.sign(),
                severity,
                item.side,
                r.painLevel(),
                r.recoverable(),
                null,
                advice.move(),
                change == null ? null : change.lever(),
                change == null || change.from() == null
                        ? advice.stepBackRange() == null
                                ? null
                                : advice.stepBackRange().toString()
                        : change.from().toString(),
                change == null || change.to() == null
                        ? advice.stepBackTo()
                        : change.to().toString(),
                advice.loadChangePct(),
                advice.rule(),
                wording.of(advice.reason()),
                null,
                runnerUp(advice),
                r.second()));
    }

    /** "Step back a rung: Easing comes before stepping back." */
    private @Nullable String runnerUp(Advice advice) {
        Advice.RunnerUp next = advice.runnerUp();
        if (next == null) {
            return null;
        }
        String what = next.change() == null
                ? wording.of(next.move())
                : wording.of(next.move()) + ", "
                        + wording.of(next.change().lever()).toLowerCase(Locale.ROOT);
        return what + ": " + wording.of(next.reason());
    }

    private Situation situation(
            SessionRow session,
            ClientFile client,
            RunItem item,
            Optional<Answer> emergency,
            Report r,
            Seen.Severity severity,
            int rep) {
        List<PastSign> past = mapper.pastSigns(session.clientId(), session.id());
        List<Seen> seen = emergency.isPresent()
                ? List.of()
                : List.of(new Seen(
                        SignCode.valueOf(String.valueOf(r.sign())),
                        severity,
                        item.side,
                        rep,
                        r.second(),
                        r.painLevel(),
                        null,
                        false,
                        r.recoverable()));
        Set<Answer> emergencies = EnumSet.noneOf(Answer.class);
        emergency.ifPresent(emergencies::add);
        return new Situation(
                catalogues.get(),
                item.rung,
                item.side,
                client.stances(),
                client.facts().pregnant(),
                visits.screeningToday(client).closed(),
                client.body(),
                item.setting(),
                emergencies,
                seen,
                item.soFar,
                PastSign.levers(past, item.rung.code()),
                earlier(session, past));
    }

    /** What was seen beside the mat in earlier sessions, and what she told of those at home. */
    private List<Situation.EarlierSession> earlier(SessionRow session, List<PastSign> past) {
        List<Situation.EarlierSession> all = new ArrayList<>(PastSign.sessions(past));
        Set<String> seen = past.stream().map(PastSign::sessionId).collect(Collectors.toSet());
        Map<String, List<ResultRow>> told =
                results.resultsSince(session.clientId(), session.heldOn().minusDays(TOLD_LOOKS_BACK_DAYS)).stream()
                        .filter(r ->
                                !seen.contains(r.sessionId()) && !r.sessionId().equals(session.id()))
                        .filter(r -> !r.signList().isEmpty())
                        .collect(Collectors.groupingBy(ResultRow::sessionId));
        told.values()
                .forEach(rows -> all.add(new Situation.EarlierSession(
                        rows.get(0).heldOn(),
                        rows.stream().flatMap(Runner::told).toList())));
        all.sort(Comparator.comparing(Situation.EarlierSession::date));
        return all;
    }

    private static Stream<Seen> told(ResultRow row) {
        return row.signList().stream()
                .map(code -> new Seen(
                        code,
                        Seen.Severity.CLEAR,
                        row.sideOrNull(),
                        1,
                        null,
                        code == SignCode.PAIN ? row.painLevel() : null,
                        null,
                        false,
                        null));
    }

    /** An emergency called out beside the mat stands in the visit too. */
    private void lockVisit(SessionRow session, Answer emergency) {
        visitMapper
                .onDay(session.clientId(), session.heldOn())
                .ifPresent(v -> visitMapper.addAnswer(v.id(), emergency));
    }

    private Optional<EventRow> override(SessionRow session, RunLog log, Report r, long staffId) {
        Optional<EventRow> advised = log.advice().filter(a -> a.id().equals(r.refersTo()));
        if (advised.isEmpty() || r.move() == null || advised.get().move() == Move.REFER_NOW) {
            return Optional.empty();
        }
        String reason = r.reason() == null || r.reason().isBlank()
                ? "no reason given"
                : r.reason().strip();
        audit.record(
                staffId,
                session.clientId(),
                "ADVICE_OVERRIDDEN",
                advised.get().ruleId() + " " + advised.get().move() + " → " + r.move() + ": " + reason);
        return Optional.of(new EventRow(
                r.id(),
                session.id(),
                EventRow.Kind.OVERRIDE,
                advised.get().rung(),
                advised.get().setNo(),
                advised.get().repNo(),
                null,
                null,
                null,
                null,
                null,
                advised.get().id(),
                r.move(),
                null,
                null,
                null,
                null,
                null,
                reason,
                null,
                null,
                null));
    }

    /** One result per rung and side that was worked on; writing it again writes the same. */
    private void finish(SessionRow session, RunLog log) {
        mapper.finish(session.id());
        for (RunItem item : log.items()) {
            boolean finishing = !item.done && !item.signs.isEmpty();
            if ((item.done || finishing) && item.worked()) {
                results.putResult(new ResultRow(
                        session.id(),
                        item.plannedRung,
                        item.side == null ? "" : item.side.name(),
                        session.clientId(),
                        session.heldOn(),
                        ResultRules.of(item.made),
                        item.effort,
                        null,
                        item.signs.stream()
                                .filter(s -> RunLog.code(s) != null)
                                .distinct()
                                .collect(Collectors.joining(",")),
                        item.range));
            }
        }
    }
}
