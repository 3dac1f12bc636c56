package fernstep.app.transfer;

import fernstep.app.ask.Visit;
import fernstep.app.ask.Visits;
import fernstep.app.check.CheckEntries;
import fernstep.app.check.ReadingRow;
import fernstep.app.client.ClearanceRow;
import fernstep.app.client.ClientRow;
import fernstep.app.client.Clients;
import fernstep.app.client.EventRow;
import fernstep.app.progress.CleanSettingRow;
import fernstep.app.progress.LadderRow;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.run.PastSessions;
import fernstep.app.standing.Heard;
import fernstep.app.standing.Standings;
import fernstep.app.support.Audit;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Surgery;
import fernstep.core.measure.Numbers;
import fernstep.core.screening.Answer;
import fernstep.core.standing.Concern;
import fernstep.core.standing.SafetyReport;
import fernstep.exchange.casefile.CaseFile;
import fernstep.exchange.casefile.CaseFile.Found;
import fernstep.exchange.casefile.CaseFile.Read;
import fernstep.exchange.casefile.CaseFile.Standing;
import fernstep.exchange.casefile.CaseFile.Trained;
import fernstep.exchange.casefile.CaseFile.Visited;
import fernstep.exchange.casefile.CaseFile.Went;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A case file becomes a client. */
@Service
class CaseFileIntake {
    private final Standings standings;
    private final Clients clients;
    private final Visits visits;
    private final CheckEntries entries;
    private final Results results;
    private final PastSessions past;
    private final Audit audit;

    CaseFileIntake(
            Clients clients,
            Standings standings,
            Visits visits,
            CheckEntries entries,
            Results results,
            PastSessions past,
            Audit audit) {
        this.clients = clients;
        this.standings = standings;
        this.visits = visits;
        this.entries = entries;
        this.results = results;
        this.past = past;
        this.audit = audit;
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
                .forEach(clearance -> clients.clear(new ClearanceRow(
                        id,
                        clearance.scope(),
                        clearance.date(),
                        clearance.expiry(),
                        clearance.byRole(),
                        Objects.requireNonNullElse(clearance.byName(), ""),
                        Objects.requireNonNullElse(clearance.note(), ""),
                        staffId)));
        t.stanceChanges().forEach((change, option) -> clients.change(id, change, option, staffId));
        clients.trainBy(id, t.growFirst(), t.blockedDays(), t.goal(), t.goalDate(), staffId);
        if (t.exercisesAtMost() != null) {
            clients.size(id, t.exercisesAtMost(), staffId);
        }
        for (Visited v : file.visits()) {
            visit(id, v, new CheckEntries.By(staffId, null, why));
        }
        standsFrom(file, id, staffId);
        for (Standing p : file.places()) {
            results.stand(LadderRow.of(
                    id, p.strand(), p.side(), p.rung(), p.dose(), p.since(), p.change(), staffId, 0, p.range()));
        }
        file.sessions().forEach(trained -> session(id, trained, staffId));
        audit.record(staffId, id, "CLIENT_IMPORTED", "");
        return id;
    }

    /** What closed in the last visit that was asked elsewhere stands here too, until somebody has looked. */
    private void standsFrom(CaseFile file, long clientId, long staffId) {
        file.visits().stream()
                .filter(Visited::asked)
                .max(Comparator.comparing(Visited::date))
                .ifPresent(last -> last.answers().stream()
                        .filter(Answer::needsLicenceToTakeBack)
                        .forEach(answer -> standings.report(
                                clientId,
                                Concern.of(answer),
                                new Heard(
                                        SafetyReport.Way.IMPORT,
                                        last.date().atTime(LocalTime.NOON),
                                        staffId,
                                        null,
                                        null))));
    }

    private static List<EventRow> events(ClientFacts facts) {
        List<EventRow> events = new ArrayList<>();
        facts.births()
                .forEach(birth -> events.add(
                        new EventRow(0, EventRow.Kind.BIRTH, birth.date(), birth.mode(), birth.tearDegree(), "")));
        for (Surgery s : facts.surgeries()) {
            events.add(new EventRow(0, EventRow.Kind.SURGERY, s.date(), null, 0, s.what()));
        }
        return events;
    }

    private void visit(long clientId, Visited visited, CheckEntries.By by) throws CheckEntries.Refused {
        Visit visit = visits.past(clientId, visited.date(), by.staffId(), visited.asked(), visited.answers());
        for (Read r : visited.readings()) {
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
        for (Found f : visited.findings()) {
            entries.put(visit, f.finding(), f.side() == null ? "" : f.side().name(), f.value(), by);
        }
    }

    private void session(long clientId, Trained trained, long staffId) {
        String id = UUID.randomUUID().toString();
        past.keep(id, clientId, trained.date(), staffId, trained.atHome());
        List<CleanSettingRow> eased = new ArrayList<>();
        for (Went r : trained.results()) {
            ResultRow row = new ResultRow(
                    id,
                    r.rung(),
                    r.side() == null ? "" : r.side().name(),
                    clientId,
                    trained.date(),
                    r.result(),
                    r.effort(),
                    r.nextDay(),
                    r.signs(),
                    r.range());
            results.put(row.withAmount(r.done()));
            if (r.eased() != null) {
                eased.add(CleanSettingRow.of(row, r.eased().setting(), r.eased().because()));
            }
        }
        results.putEased(id, eased);
    }
}
