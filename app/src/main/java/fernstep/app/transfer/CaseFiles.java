package fernstep.app.transfer;

import fernstep.app.ask.Visit;
import fernstep.app.ask.VisitRow;
import fernstep.app.ask.Visits;
import fernstep.app.check.CheckEntries;
import fernstep.app.check.FindingRow;
import fernstep.app.check.ReadingRow;
import fernstep.app.client.ClearanceRow;
import fernstep.app.client.ClientFile;
import fernstep.app.client.ClientRow;
import fernstep.app.client.Clients;
import fernstep.app.client.EventRow;
import fernstep.app.progress.LadderRow;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.run.PastSessions;
import fernstep.app.support.Audit;
import fernstep.core.approach.StanceChange;
import fernstep.core.approach.Stances;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Surgery;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Side;
import fernstep.exchange.casefile.CaseFile;
import fernstep.exchange.casefile.CaseFile.Found;
import fernstep.exchange.casefile.CaseFile.Read;
import fernstep.exchange.casefile.CaseFile.Standing;
import fernstep.exchange.casefile.CaseFile.Trained;
import fernstep.exchange.casefile.CaseFile.Visited;
import fernstep.exchange.casefile.CaseFile.Went;
import fernstep.exchange.fhir.FhirFiles;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A client's record as a case file, and a case file as a client. */
@Service
class CaseFiles {
    private static final long ONCE_STARTED_S = 60;
    private static final long NEVER_AGAIN_S = 10_000_000;
    private static final LocalDate EVER = LocalDate.of(1900, 1, 1);

    private final Clients clients;
    private final Visits visits;
    private final CheckEntries entries;
    private final Results results;
    private final PastSessions past;
    private final TransferMapper mapper;
    private final Audit audit;

    CaseFiles(
            Clients clients,
            Visits visits,
            CheckEntries entries,
            Results results,
            PastSessions past,
            TransferMapper mapper,
            Audit audit) {
        this.clients = clients;
        this.visits = visits;
        this.entries = entries;
        this.results = results;
        this.past = past;
        this.mapper = mapper;
        this.audit = audit;
    }

    /** The first bundle would wait for seconds: it is got ready once the start is over. */
    @Scheduled(initialDelay = ONCE_STARTED_S, fixedDelay = NEVER_AGAIN_S, timeUnit = TimeUnit.SECONDS)
    void getReady() {
        FhirFiles.warmUp();
    }

    /**
     * Read at one moment.
     *
     * @param therapist whether findings that only a licensed clinician sees are in it
     */
    @Transactional(readOnly = true)
    public CaseFile of(long clientId, boolean therapist) {
        ClientFile client = clients.file(clientId);
        ClientRow row = client.row();
        Stances own = client.stances();
        Map<StanceChange, String> changes = new EnumMap<>(StanceChange.class);
        StanceChange.between(row.approach().stances(), own).forEach(c -> changes.put(c, c.of(own)));
        return new CaseFile(
                new CaseFile.Her(row.name(), row.note(), hand(row.dominantHand()), client.facts()),
                new CaseFile.Training(
                        row.approach(),
                        changes,
                        row.minutesPerDay(),
                        row.daysPerWeek(),
                        client.settings().exercisesAtMost(),
                        client.settings().growFirst(),
                        client.settings().blocked(),
                        client.settings().goal(),
                        client.settings().goalDate()),
                visits.ofClient(clientId).stream()
                        .sorted(Comparator.comparing(VisitRow::heldOn))
                        .map(v -> visited(v, therapist))
                        .toList(),
                results.steps(clientId).stream()
                        .map(CaseFiles::standing)
                        .sorted(Comparator.comparing(Standing::strand).thenComparing(s -> String.valueOf(s.side())))
                        .toList(),
                sessions(clientId));
    }

    /** Not said is stored as nothing or as an empty text. */
    private static @Nullable String hand(@Nullable String stored) {
        return stored == null || stored.isBlank() ? null : stored;
    }

    private Visited visited(VisitRow v, boolean therapist) {
        return new Visited(
                v.heldOn(),
                v.askedAt() != null,
                visits.byId(v.id()).answers(),
                entries.readings(v.id()).stream()
                        .sorted(Comparator.comparing(ReadingRow::siteCm).thenComparing(ReadingRow::conditionCode))
                        .map(r -> new Read(
                                r.siteCm(),
                                r.conditionCode(),
                                r.method(),
                                Arrays.stream(r.readingValues().strip().split("\\s+"))
                                        .map(Double::valueOf)
                                        .toList(),
                                r.depthMm(),
                                r.depthCode(),
                                r.feel()))
                        .toList(),
                entries.findings(v.id()).stream()
                        .filter(f -> therapist || !f.name().therapistOnly())
                        .sorted(Comparator.comparing(FindingRow::name).thenComparing(FindingRow::side))
                        .map(f -> new Found(f.name(), side(f.side()), f.findingValue()))
                        .toList());
    }

    private static @Nullable Side side(String side) {
        return side.isEmpty() ? null : Side.valueOf(side);
    }

    private static Standing standing(LadderRow s) {
        return new Standing(
                s.strand(), s.sideOrNull(), s.rung(), s.dose(), s.rangeFraction(), s.since(), s.changeCode());
    }

    private List<Trained> sessions(long clientId) {
        Map<String, Boolean> atHome =
                mapper.sessions(clientId).stream().collect(Collectors.toMap(SessionOf::id, SessionOf::atHome));
        Map<String, List<ResultRow>> bySession =
                results.since(clientId, EVER).stream().collect(Collectors.groupingBy(ResultRow::sessionId));
        List<Trained> all = new ArrayList<>();
        bySession.forEach((id, rows) -> all.add(new Trained(
                rows.get(0).heldOn(),
                Boolean.TRUE.equals(atHome.get(id)),
                rows.stream()
                        .sorted(Comparator.comparing(ResultRow::rung).thenComparing(ResultRow::side))
                        .map(r -> new Went(
                                r.rung(),
                                r.sideOrNull(),
                                r.result(),
                                r.effort(),
                                r.nextDay(),
                                r.signs(),
                                r.rangeFraction()))
                        .toList())));
        all.sort(Comparator.comparing(Trained::date)
                .thenComparing(Trained::atHome)
                .thenComparing(t -> t.results().toString()));
        return all;
    }

    /**
     * Makes a client of it: all of it or nothing, once for a form.
     *
     * @param why stands as the reason beside every value of a past visit
     * @throws CheckEntries.Refused where a value may not be written
     */
    @Transactional(rollbackFor = CheckEntries.Refused.class)
    public long take(CaseFile file, String formId, long staffId, String why) throws CheckEntries.Refused {
        ClientFacts facts = file.her().facts();
        CaseFile.Training t = file.training();
        long id = clients.create(
                new ClientRow(
                        null,
                        formId,
                        file.her().name(),
                        facts.status(),
                        facts.dueDate(),
                        facts.heightCm(),
                        facts.massKg(),
                        facts.age(),
                        file.her().dominantHand(),
                        t.approach(),
                        t.minutesPerDay(),
                        t.daysPerWeek(),
                        ClientRow.joined(facts.restrictions()),
                        file.her().note()),
                events(facts));
        facts.clearances()
                .forEach(c -> clients.clear(new ClearanceRow(
                        id,
                        c.scope(),
                        c.date(),
                        c.expiry(),
                        c.byRole(),
                        Objects.requireNonNullElse(c.byName(), ""),
                        Objects.requireNonNullElse(c.note(), ""),
                        staffId)));
        t.stanceChanges().forEach((change, option) -> clients.change(id, change, option, staffId));
        clients.trainBy(id, t.growFirst(), t.blockedDays(), t.goal(), t.goalDate());
        if (t.exercisesAtMost() != null) {
            clients.size(id, t.exercisesAtMost());
        }
        for (Visited v : file.visits()) {
            visit(id, v, new CheckEntries.By(staffId, null, why));
        }
        for (Standing p : file.places()) {
            results.stand(LadderRow.of(
                    id, p.strand(), p.side(), p.rung(), p.dose(), p.since(), p.change(), staffId, 0, p.range()));
        }
        file.sessions().forEach(s -> session(id, s, staffId));
        audit.record(staffId, id, "CLIENT_IMPORTED", "");
        return id;
    }

    private static List<EventRow> events(ClientFacts facts) {
        List<EventRow> events = new ArrayList<>();
        facts.births()
                .forEach(b -> events.add(new EventRow(0, EventRow.Kind.BIRTH, b.date(), b.mode(), b.tearDegree(), "")));
        for (Surgery s : facts.surgeries()) {
            events.add(new EventRow(0, EventRow.Kind.SURGERY, s.date(), null, 0, s.what()));
        }
        return events;
    }

    private void visit(long clientId, Visited v, CheckEntries.By by) throws CheckEntries.Refused {
        Visit visit = visits.past(clientId, v.date(), by.staffId(), v.asked(), v.answers());
        for (Read r : v.readings()) {
            entries.put(
                    visit,
                    new ReadingRow(
                            visit.id(),
                            r.siteCm(),
                            r.condition(),
                            r.method(),
                            r.values().stream().map(Numbers::plain).collect(Collectors.joining(" ")),
                            r.depthMm(),
                            r.depth(),
                            r.feel(),
                            by.staffId()),
                    by);
        }
        for (Found f : v.findings()) {
            entries.put(visit, f.finding(), f.side() == null ? "" : f.side().name(), f.value(), by);
        }
    }

    private void session(long clientId, Trained s, long staffId) {
        String id = UUID.randomUUID().toString();
        past.keep(id, clientId, s.date(), staffId, s.atHome());
        for (Went r : s.results()) {
            results.put(new ResultRow(
                    id,
                    r.rung(),
                    r.side() == null ? "" : r.side().name(),
                    clientId,
                    s.date(),
                    r.result(),
                    r.effort(),
                    r.nextDay(),
                    r.signs(),
                    r.range()));
        }
    }
}
