package fernstep.app.run;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.check.Checks;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.plan.Plans;
import fernstep.app.plan.Prescriptions;
import fernstep.app.rungs.Catalogues;
import fernstep.app.standing.Standings;
import fernstep.app.support.Again;
import fernstep.app.support.NotFound;
import fernstep.app.support.Today;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.decision.Situation;
import fernstep.core.measure.Side;
import fernstep.core.plan.LeftOut;
import fernstep.core.plan.Plan;
import fernstep.core.plan.PlanItem;
import fernstep.core.schedule.Prescription;
import fernstep.core.screening.Answer;
import fernstep.core.session.Circumstances;
import fernstep.core.session.Intake;
import fernstep.core.session.PlannedExercise;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent;
import fernstep.core.session.SessionEvent.Overridden;
import fernstep.core.session.StaffId;
import fernstep.exchange.session.SessionEventJson.Kind;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Stores what happens in a session and gives it back: what it means is the core's. */
@Service
public class Runner {
    private static final Duration FILE_KEPT_FOR = Duration.ofSeconds(2);

    private final Cache<Long, ClientFile> files = Caffeine.newBuilder()
            .maximumSize(300)
            .expireAfterWrite(FILE_KEPT_FOR)
            .build();
    /** What the rules need of her: looked up with a sign, as seldom as her file. */
    private final Cache<Long, Situation.Woman> women = Caffeine.newBuilder()
            .maximumSize(300)
            .expireAfterWrite(FILE_KEPT_FOR)
            .build();

    private final SessionMapper mapper;
    private final SessionLog log;
    private final EarlierLog earlier;
    private final SessionWriter writer;
    private final Visits visits;
    private final Checks checks;
    private final Clients clients;
    private final Plans plans;
    private final Prescriptions prescriptions;
    private final Standings standings;
    private final Today today;
    private final Catalogues catalogues;
    private final TransactionTemplate together;

    Runner(
            SessionMapper mapper,
            SessionLog log,
            EarlierLog earlier,
            SessionWriter writer,
            Visits visits,
            Checks checks,
            Clients clients,
            Plans plans,
            Prescriptions prescriptions,
            Standings standings,
            Today today,
            Catalogues catalogues,
            TransactionTemplate together) {
        this.mapper = mapper;
        this.log = log;
        this.earlier = earlier;
        this.writer = writer;
        this.visits = visits;
        this.checks = checks;
        this.clients = clients;
        this.plans = plans;
        this.prescriptions = prescriptions;
        this.standings = standings;
        this.today = today;
        this.catalogues = catalogues;
        this.together = together;
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
        Visit visit = visits.beginning(visitId);
        prescriptions.adopt(visit, staffId);
        mapper.insert(new SessionRow(sessionId, visit.client().id(), visit.row().heldOn(), staffId, null));
        int ordinal = 0;
        Prescription prescription = prescriptions.of(visit.client());
        for (PlanItem item : prescription.session(visit.row().heldOn(), day)) {
            ItemRow row = ItemRow.of(sessionId, ordinal++, item, catalogues.get());
            mapper.insertItem(row);
            row.partList().forEach(part -> mapper.insertItemPart(row, part));
        }
        return sessionId;
    }

    public SessionRow session(String id) {
        return mapper.byId(id).orElseThrow(() -> new NotFound("no session " + id));
    }

    /** What is on file of her; beside the mat it is looked up every other second. */
    public ClientFile client(SessionRow session) {
        ClientFile known = files.getIfPresent(session.clientId());
        if (known == null) {
            known = clients.file(session.clientId());
            files.put(session.clientId(), known);
        }
        return known;
    }

    public Session replay(String sessionId) {
        return log.replay(sessionId, catalogues.get());
    }

    /**
     * A session as it stands.
     *
     * @param version grows with every event, so that another tablet sees that something happened
     * @param lock what keeps it from going on
     */
    public record Held(
            SessionRow row,
            Session session,
            ClientFile client,
            List<PlannedExercise> planned,
            List<SessionEvent> events,
            int version,
            RunLock lock,
            Catalogue catalogue) {

        public boolean locked() {
            return lock == RunLock.EMERGENCY || session.locked();
        }
    }

    public Held held(String sessionId) {
        SessionLog.Stand stand = stand(sessionId);
        SessionRow row = stand.row();
        return held(row, client(row), log.of(stand), lock(row));
    }

    private RunLock lock(SessionRow row) {
        return RunLock.of(standings.of(row.clientId()).mayTrain(), row.heldOn(), today.date());
    }

    private SessionLog.Stand stand(String sessionId) {
        return log.stand(sessionId).orElseThrow(() -> new NotFound("no session " + sessionId));
    }

    private Held held(SessionRow row, ClientFile client, SessionLog.Log now, RunLock lock) {
        List<PlannedExercise> planned = log.planned(row.id());
        return new Held(
                row,
                Session.replay(catalogues.get(), planned, now.events()),
                client,
                planned,
                now.events(),
                now.rows(),
                lock,
                catalogues.get());
    }

    /** As cheap as can be: asked every other second by every tablet. */
    public String version(String sessionId) {
        SessionLog.Stand stand = stand(sessionId);
        SessionRow row = stand.row();
        return stand.events() + lock(row).mark();
    }

    /**
     * @throws Refused for an id that was used for something else, or a repetition of an exercise that is over
     * @throws IllegalArgumentException for a report that makes no sense
     */
    public Held take(String sessionId, Report report, long staffId) {
        return Objects.requireNonNull(Again.whole("take", () -> taken(sessionId, report, staffId)));
    }

    /** Nearly all that is told is one row, which needs no transaction around it. */
    private Held taken(String sessionId, Report report, long staffId) {
        SessionLog.Stand stand = stand(sessionId);
        SessionRow row = stand.row();
        SessionLog.Log now = log.of(stand);
        boolean known = now.knows(report.id());
        if (known) {
            writer.refuseOther(sessionId, report);
        }
        ClientFile client = client(row);
        Held before = held(row, client, now, lock(row));
        if (known) {
            together.executeWithoutResult(all -> writer.settle(row, before.session()));
            return before;
        }
        // Told again it is the same emergency: one that was corrected since must not come back.
        Optional<Answer> emergency = report.emergency();
        if (emergency.isPresent()) {
            return Objects.requireNonNull(
                    together.execute(all -> takenEmergency(before, report, emergency.get(), staffId)));
        }
        Optional<SessionEvent> event = newEvent(before, report, staffId);
        Held after = event.map(sessionEvent -> with(before, sessionEvent)).orElse(before);
        boolean alone = !after.session().ended()
                && row.finishedAt() == null
                && event.filter(Overridden.class::isInstance).isEmpty();
        if (alone) {
            event.ifPresent(sessionEvent -> writer.store(before, report, sessionEvent));
        } else {
            together.executeWithoutResult(all -> {
                event.ifPresent(sessionEvent -> writer.store(before, report, sessionEvent));
                writer.settle(row, after.session());
            });
        }
        return after;
    }

    private Held takenEmergency(Held before, Report report, Answer emergency, long staffId) {
        SessionRow row = before.row();
        visits.tellEmergency(row.clientId(), row.heldOn(), emergency, staffId, row.id());
        Optional<SessionEvent> event = newEvent(before, report, staffId);
        event.ifPresent(sessionEvent -> writer.store(before, report, sessionEvent));
        Held after = event.map(sessionEvent -> with(before, sessionEvent)).orElse(before);
        writer.settle(row, after.session());
        return held(row, before.client(), new SessionLog.Log(after.events(), Set.of(), after.version()), lock(row));
    }

    private Held with(Held before, SessionEvent event) {
        List<SessionEvent> events = new ArrayList<>(before.events());
        events.add(event);
        return held(
                before.row(),
                before.client(),
                new SessionLog.Log(List.copyOf(events), Set.of(), before.version() + 1),
                before.lock());
    }

    private Optional<SessionEvent> newEvent(Held before, Report report, long staffId) {
        boolean aboutOne = report.kind() == Kind.REP || report.kind() == Kind.EFFORT;
        if (aboutOne && report.at() != null && report.at() != place(before.session())) {
            throw new Refused(Refused.Code.MOVED_ON);
        }
        boolean stays = report.kind() == Kind.NOTE
                || report.kind() == Kind.FINISH
                || report.emergency().isPresent();
        if (!stays && before.lock() == RunLock.EARLIER_DAY) {
            throw new Refused(Refused.Code.EARLIER_DAY);
        }
        if (!stays && before.lock() != RunLock.OPEN) {
            return Optional.empty();
        }
        SessionRow row = before.row();
        Intake intake = intake(row, before.client(), before.session(), staffId);
        return report.event(intake, (rung, side) -> fromPlan(row, before.client(), rung, side.orElse(null)));
    }

    /** Place of the exercise in hand; behind the last where none is. */
    static int place(Session session) {
        return session.current()
                .map(exercise -> session.exercises().indexOf(exercise))
                .orElse(session.exercises().size());
    }

    Intake intake(SessionRow row, ClientFile client, Session before, long staffId) {
        return new Intake(before, Lazy.of(() -> circumstances(row, client)), new StaffId(staffId));
    }

    /** What the plan has beside this session: the other day's, and what had no room. */
    List<PlanItem> addable(SessionRow row, ClientFile client) {
        return visits.today(client.id())
                .filter(visit -> visit.row().heldOn().equals(row.heldOn()))
                .map(visit -> {
                    Plan plan = plans.plan(visit);
                    List<PlanItem> all = new ArrayList<>(plan.items());
                    plan.leftOut().stream().filter(LeftOut::forWantOfRoom).forEach(out -> all.addAll(out.items()));
                    all.removeIf(item -> visit.standing().holds(item.rung()));
                    return all;
                })
                .orElse(List.of());
    }

    private Optional<PlannedExercise> fromPlan(SessionRow row, ClientFile client, String rung, @Nullable Side side) {
        return addable(row, client).stream()
                .filter(item -> item.rung().code().equals(rung) && item.side() == side)
                .map(item -> ItemRow.of(row.id(), 0, item, catalogues.get()).planned())
                .findFirst();
    }

    private Circumstances circumstances(SessionRow session, ClientFile client) {
        return new Circumstances(
                catalogues.get(),
                client.stances(),
                women.get(
                        client.id(),
                        id -> new Situation.Woman(
                                client.facts().pregnant(),
                                visits.screeningToday(client).closed(),
                                client.body(),
                                checks.findings(id, session.heldOn()).holdsCurve())),
                earlier.before(session),
                session.heldOn());
    }
}
