package fernstep.app.run;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.plan.Plans;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.session.Circumstances;
import fernstep.core.session.Intake;
import fernstep.core.session.PlannedExercise;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent;
import fernstep.core.session.SessionEvent.Overridden;
import fernstep.core.session.StaffId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Stores what happens in a session and gives it back: what it means is the core's. */
@Service
public class Runner {
    private final SessionMapper mapper;
    private final EarlierLog earlier;
    private final Results results;
    private final Visits visits;
    private final Clients clients;
    private final Plans plans;
    private final Catalogues catalogues;
    private final Audit audit;

    Runner(
            SessionMapper mapper,
            EarlierLog earlier,
            Results results,
            Visits visits,
            Clients clients,
            Plans plans,
            Catalogues catalogues,
            Audit audit) {
        this.mapper = mapper;
        this.earlier = earlier;
        this.results = results;
        this.visits = visits;
        this.clients = clients;
        this.plans = plans;
        this.catalogues = catalogues;
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
            mapper.insertItem(ItemRow.of(sessionId, ordinal++, item));
        }
        return sessionId;
    }

    public SessionRow session(String id) {
        return mapper.byId(id).orElseThrow(() -> new NotFound("no session " + id));
    }

    public ClientFile client(SessionRow session) {
        return clients.file(session.clientId());
    }

    public Session replay(String sessionId) {
        return Session.replay(catalogues.get(), planned(sessionId), StoredEvent.read(mapper.events(sessionId)));
    }

    private List<PlannedExercise> planned(String sessionId) {
        return mapper.items(sessionId).stream().map(ItemRow::planned).toList();
    }

    /** A session after a report, and whose it is. */
    public record Taken(Session session, ClientFile client) {}

    /** @throws IllegalArgumentException for a report that makes no sense */
    @Transactional
    public Taken take(String sessionId, Report report, long staffId) {
        SessionRow row = session(sessionId);
        ClientFile client = client(row);
        List<PlannedExercise> planned = planned(sessionId);
        List<StoredEvent> stored = mapper.events(sessionId);
        List<SessionEvent> events = new ArrayList<>(StoredEvent.read(stored));
        Session before = Session.replay(catalogues.get(), planned, events);
        boolean known = stored.stream().anyMatch(e -> e.id().equals(report.id()));
        // Told again it is the same emergency: one that was corrected since must not come back.
        if (!known) {
            report.emergency().ifPresent(answer -> visits.tellEmergency(client.id(), row.heldOn(), answer));
        }
        Optional<SessionEvent> event = known
                ? Optional.empty()
                : report.event(new Intake(before, circumstances(row, client), new StaffId(staffId)));
        event.ifPresent(e -> {
            mapper.insertEvent(StoredEvent.of(sessionId, e));
            events.add(e);
            if (e instanceof Overridden o) {
                auditOverride(row, before, o);
            }
        });
        Session after = Session.replay(catalogues.get(), planned, events);
        if (after.ended()) {
            finish(row, after);
        }
        return new Taken(after, client);
    }

    private Circumstances circumstances(SessionRow session, ClientFile client) {
        return new Circumstances(
                catalogues.get(),
                client.stances(),
                client.facts().pregnant(),
                visits.screeningToday(client).closed(),
                client.body(),
                earlier.before(session));
    }

    private void auditOverride(SessionRow session, Session before, Overridden chosen) {
        before.answered()
                .ifPresent(a -> audit.record(
                        chosen.madeBy().value(),
                        session.clientId(),
                        "ADVICE_OVERRIDDEN",
                        a.advice().rule() + " " + a.advice().move() + " → " + chosen.move() + ": " + chosen.reason()));
    }

    /** One result per rung and side that was worked on; writing it again writes the same. */
    private void finish(SessionRow session, Session held) {
        mapper.finish(session.id());
        held.results()
                .forEach(r -> results.put(new ResultRow(
                        session.id(),
                        r.rung(),
                        r.side() == null ? "" : r.side().name(),
                        session.clientId(),
                        session.heldOn(),
                        r.kind(),
                        r.effort(),
                        null,
                        r.signs().stream().map(Enum::name).collect(Collectors.joining(",")),
                        r.range())));
    }
}
