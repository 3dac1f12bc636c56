package fernstep.app.ask;

import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.standing.Heard;
import fernstep.app.standing.Standings;
import fernstep.app.standing.TrainingClosed;
import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.app.support.RecordLog;
import fernstep.app.support.Today;
import fernstep.core.approach.Stances;
import fernstep.core.client.Licence;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Outcome;
import fernstep.core.screening.Screening;
import fernstep.core.standing.Lift;
import fernstep.core.standing.Standing;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Today's visit of a client: opened once a day, answered, screened. */
@Service
public class Visits {
    private static final LocalTime NOON = LocalTime.NOON;

    private final VisitMapper mapper;
    private final Clients clients;
    private final LastChecks lastChecks;
    private final Standings standings;
    private final Audit audit;
    private final RecordLog log;
    private final Today today;
    private final Clock clock;

    public Visits(
            VisitMapper mapper,
            Clients clients,
            LastChecks lastChecks,
            Standings standings,
            Audit audit,
            RecordLog log,
            Today today,
            Clock clock) {
        this.clock = clock;
        this.standings = standings;
        this.log = log;
        this.mapper = mapper;
        this.clients = clients;
        this.lastChecks = lastChecks;
        this.audit = audit;
        this.today = today;
    }

    /** When the last separation check of a client was; answered by the check feature. */
    public interface LastChecks {
        Optional<LocalDate> lastSeparationCheck(long clientId);
    }

    /** Whose morning after a session nobody has told yet; answered by the home feature. */
    public interface MorningAfter {
        /** The day of her last session, while how she was the morning after it was not said. */
        Optional<LocalDate> notSaid(long clientId, LocalDate today);
    }

    @Transactional
    public Visit openToday(long clientId, long staffId) {
        clients.file(clientId);
        mapper.insert(clientId, today.date(), staffId);
        // the first who sees her is her team; who joins later is let in by it, or by a lead
        mapper.foundTeam(clientId, staffId);
        return today(clientId).orElseThrow();
    }

    /** A visit that was held elsewhere; its answers stand as they were given. */
    @Transactional
    public Visit past(long clientId, LocalDate day, long staffId, boolean asked, Set<Answer> answers) {
        mapper.insert(clientId, day, staffId);
        long id = mapper.onDay(clientId, day).orElseThrow().id();
        answers.forEach(answer -> mapper.addAnswer(id, answer));
        if (asked) {
            mapper.markAsked(id, day.atTime(NOON));
        }
        return byId(id);
    }

    /** Of many clients, as they are stored. */
    public List<VisitRow> ofClients(Collection<Long> clients) {
        return clients.isEmpty() ? List.of() : mapper.ofClients(clients);
    }

    /** Makes visits of past days; those that are there stay. */
    public void past(List<VisitMapper.Past> visits) {
        mapper.insertAll(visits);
    }

    /** Visits in which nothing was kept go. */
    public void removeEmpty(List<Long> visits) {
        mapper.removeEmpty(visits);
    }

    public Optional<Visit> today(long clientId) {
        return mapper.onDay(clientId, today.date()).map(this::visit);
    }

    public Visit byId(long visitId) {
        return visit(mapper.byId(visitId).orElseThrow(() -> new NotFound("no visit " + visitId)));
    }

    /**
     * For everything behind the questions.
     *
     * @throws VisitLocked while an emergency answer stands
     */
    public Visit unlocked(long visitId) {
        Visit visit = byId(visitId);
        if (visit.locked()) {
            throw new VisitLocked(visitId);
        }
        return visit;
    }

    /**
     * For what begins or goes on with a session.
     *
     * @throws VisitLocked while an emergency stands
     * @throws TrainingClosed on another day than its own, while something she reported waits for somebody to have spoken
     *     with her, and where she was not asked in the last twelve hours
     */
    public Visit beginning(long visitId) {
        Visit visit = unlocked(visitId);
        if (visit.past()) {
            throw new TrainingClosed(
                    visit.client().id(),
                    Reason.of("closed.pastVisit", visit.row().heldOn()));
        }
        if (!visit.mayBegin()) {
            throw new TrainingClosed(visit.client().id(), Reason.of("closed.speakFirst"));
        }
        if (visit.asked() && !visit.askedLately(LocalDateTime.now(clock))) {
            throw new TrainingClosed(visit.client().id(), Reason.of("closed.askAgain"));
        }
        return visit;
    }

    /** Screening by her facts and what stands, for days without a visit. */
    public Screening screeningToday(ClientFile client) {
        return today(client.id())
                .map(Visit::screening)
                .orElseGet(() -> screen(client, standingToday(client.id()), false, today.date()));
    }

    private Set<Answer> standingToday(long clientId) {
        Standing standing = standings.of(clientId);
        Set<Answer> all = EnumSet.noneOf(Answer.class);
        all.addAll(standing.answers());
        all.addAll(standing.adaptsOn(today.date()));
        return all;
    }

    /** What only {@link #correct} takes back stays, whoever asks. */
    @Transactional
    public Visit answer(long visitId, Answer code, boolean yes, long staffId, String reason) {
        Visit before = byId(visitId);
        long client = before.client().id();
        boolean was = before.answers().contains(code);
        Standings.By coach = new Standings.By(staffId, Licence.COACH);
        if (yes) {
            mapper.addAnswer(visitId, code);
            if (code.needsLicenceToTakeBack()) {
                standings.askedAbout(client, code, coach, reason);
                standings.answered(client, code, Heard.atVisit(moment(before), staffId, visitId));
            }
        } else if (!code.needsLicenceToTakeBack()) {
            mapper.removeAnswer(visitId, code);
            standings.liftAnswer(client, code, Lift.Kind.SPOKEN, coach, reason);
        }
        if (yes != was && (yes || !code.needsLicenceToTakeBack())) {
            changed(before, code, yes, reason, staffId);
        }
        return byId(visitId);
    }

    /** Now; what is put down of a past visit was said on its day. */
    private LocalDateTime moment(Visit visit) {
        LocalDateTime now = LocalDateTime.now(clock).withNano(0);
        return visit.past() ? visit.row().heldOn().atTime(now.toLocalTime()) : now;
    }

    private void changed(Visit visit, Answer code, boolean yes, String reason, long staffId) {
        log.changed(new RecordLog.Change(
                visit.client().id(),
                visit.id(),
                "answer:" + code,
                yes ? null : "YES",
                yes ? "YES" : null,
                reason,
                staffId));
    }

    /** An emergency told beside the mat stands from then on, and in that day's visit. */
    @Transactional
    public void tellEmergency(long clientId, LocalDate day, Answer emergency, long staffId, String sessionId) {
        standings.answered(
                clientId, emergency, Heard.inSession(LocalDateTime.now(clock).withNano(0), staffId, sessionId));
        mapper.onDay(clientId, day).ifPresent(row -> mapper.addAnswer(row.id(), emergency));
    }

    /** All of a client's, newest first. */
    public List<VisitRow> ofClient(long clientId) {
        return mapper.ofClient(clientId);
    }

    /** Takes back a closing answer that was mis-recorded: the reason goes to the audit trail. */
    @Transactional
    public Visit correct(long visitId, Answer code, String reason, long staffId) {
        Visit visit = byId(visitId);
        if (visit.answers().contains(code)) {
            mapper.removeAnswer(visitId, code);
            standings.liftAnswer(
                    visit.client().id(),
                    code,
                    Lift.Kind.TAKEN_BACK,
                    new Standings.By(staffId, Licence.THERAPIST),
                    reason);
            changed(visit, code, false, reason, staffId);
            audit.record(staffId, visit.client().id(), "ANSWER_CORRECTED", code + ": " + reason);
        }
        return byId(visitId);
    }

    @Transactional
    public void overrideAskFirst(long visitId, String reason, long staffId) {
        Visit visit = byId(visitId);
        if (!visit.overridden()) {
            mapper.overrideAskFirst(visitId, reason, staffId);
            letPass(visit, staffId, reason);
            audit.record(staffId, visit.client().id(), "ASK_FIRST_OVERRIDDEN", reason);
        }
    }

    /** Screening of today if she told this as well. */
    public Screening ifTold(ClientFile client, Answer also) {
        Set<Answer> answers = EnumSet.of(also);
        Visit visit = today(client.id()).orElse(null);
        answers.addAll(visit == null ? standingToday(client.id()) : visit.answers());
        return screen(client, answers, visit != null && visit.overridden(), today.date());
    }

    /** What she told and was let pass stays in the visit's own answers, and stands no longer beyond it. */
    private void letPass(Visit visit, long staffId, String reason) {
        for (Answer code : visit.answers()) {
            if (code.leadsTo() == Outcome.ASK_FIRST) {
                mapper.addAnswer(visit.id(), code);
                standings.liftAnswer(
                        visit.client().id(),
                        code,
                        Lift.Kind.SPOKEN,
                        new Standings.By(staffId, Licence.THERAPIST),
                        reason);
            }
        }
    }

    public void markAsked(long visitId) {
        mapper.markAsked(visitId, LocalDateTime.now(clock).withNano(0));
    }

    private Visit visit(VisitRow row) {
        ClientFile client = clients.file(row.clientId());
        Standing standing = standings.of(row.clientId());
        Set<Answer> answers = counting(row, mapper.answers(row.id()), standing);
        return new Visit(
                row, client, answers, screen(client, answers, row.askFirstOverride() != null, row.heldOn()), standing);
    }

    /**
     * On its own day what stands from before counts too, and what was lifted since counts no longer; a past visit says what
     * was answered in it.
     */
    private Set<Answer> counting(VisitRow row, Set<Answer> own, Standing standing) {
        Set<Answer> answers = EnumSet.noneOf(Answer.class);
        answers.addAll(own);
        if (row.heldOn().equals(today.date())) {
            Set<Answer> stands = standing.answers();
            boolean letPass = row.askFirstOverride() != null;
            answers.removeIf(code -> code.needsLicenceToTakeBack()
                    && !stands.contains(code)
                    && !(letPass && code.leadsTo() == Outcome.ASK_FIRST));
            answers.addAll(stands);
            answers.addAll(standing.adaptsOn(row.heldOn()));
        }
        return answers;
    }

    /** What counts in each of these visits, by visit. */
    public Map<Long, Set<Answer>> answersIn(List<VisitRow> visits) {
        Map<Long, Set<Answer>> all = new HashMap<>();
        if (visits.isEmpty()) {
            return all;
        }
        Set<Long> clients = visits.stream().map(VisitRow::clientId).collect(Collectors.toSet());
        Map<Long, Standing> standing = standings.ofClients(clients);
        Map<Long, Set<Answer>> own = new HashMap<>();
        for (VisitMapper.AnswerOf answer : mapper.answersOf(clients)) {
            own.computeIfAbsent(answer.visitId(), id -> EnumSet.noneOf(Answer.class))
                    .add(answer.code());
        }
        for (VisitRow visit : visits) {
            all.put(
                    visit.id(),
                    counting(
                            visit,
                            own.getOrDefault(visit.id(), Set.of()),
                            standing.getOrDefault(visit.clientId(), Standing.NOTHING_REPORTED)));
        }
        return all;
    }

    /** The same visit asked by other stances. */
    public Screening screenedBy(Visit visit, Stances stances) {
        @Nullable
        LocalDate last = lastChecks.lastSeparationCheck(visit.client().id()).orElse(null);
        return Screening.of(Screening.Question.of(
                        visit.client().facts(),
                        visit.answers(),
                        stances,
                        visit.row().heldOn())
                .withLastCheck(last)
                .withOverrides(visit.overridden(), clients.lifted(visit.client().id())));
    }

    private Screening screen(ClientFile client, Set<Answer> answers, boolean overridden, LocalDate day) {
        @Nullable LocalDate last = lastChecks.lastSeparationCheck(client.id()).orElse(null);
        return Screening.of(Screening.Question.of(client.facts(), answers, client.stances(), day)
                .withLastCheck(last)
                .withOverrides(overridden, clients.lifted(client.id())));
    }
}
