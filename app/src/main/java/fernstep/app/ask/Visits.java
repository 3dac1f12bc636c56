package fernstep.app.ask;

import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.app.support.RecordLog;
import fernstep.app.support.Today;
import fernstep.core.approach.Stances;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Outcome;
import fernstep.core.screening.Screening;
import java.time.LocalDate;
import java.util.Arrays;
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
    private static final List<Answer> EMERGENCIES =
            Arrays.stream(Answer.values()).filter(Answer::emergency).toList();
    private static final String EMERGENCY_CODES =
            EMERGENCIES.stream().map(Enum::name).collect(Collectors.joining(","));

    private final VisitMapper mapper;
    private final Clients clients;
    private final LastChecks lastChecks;
    private final FromHome fromHome;
    private final Audit audit;
    private final RecordLog log;
    private final Today today;

    public Visits(
            VisitMapper mapper,
            Clients clients,
            LastChecks lastChecks,
            FromHome fromHome,
            Audit audit,
            RecordLog log,
            Today today) {
        this.fromHome = fromHome;
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
        answers.forEach(a -> mapper.addAnswer(id, a));
        if (asked) {
            mapper.markAsked(id);
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
     * For what is handed to a client without a visit of that day.
     *
     * @throws VisitLocked while an emergency stands today; today's visit is opened for it, so that somebody can look
     */
    @Transactional
    public void unlockedToday(long clientId, long staffId) {
        if (emergencyStands(clientId, today.date())) {
            throw new VisitLocked(openToday(clientId, staffId).id());
        }
    }

    /** Screening by her facts alone, for days without a visit. */
    public Screening screeningToday(ClientFile client) {
        return today(client.id())
                .map(Visit::screening)
                .orElseGet(() -> screen(client, fromHome.standing(client.id(), today.date()), false, today.date()));
    }

    /** What only {@link #correct} takes back stays, whoever asks. */
    @Transactional
    public Visit answer(long visitId, Answer code, boolean yes, long staffId, String reason) {
        Visit before = byId(visitId);
        boolean was = before.answers().contains(code);
        if (yes) {
            mapper.addAnswer(visitId, code);
        } else if (!code.needsLicenceToTakeBack()) {
            mapper.removeAnswer(visitId, code);
            fromHome.takenBack(before.client().id(), code, staffId, reason);
        }
        if (yes != was && (yes || !code.needsLicenceToTakeBack())) {
            changed(before, code, yes, reason, staffId);
        }
        return byId(visitId);
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

    /** An emergency told beside the mat stands in that day's visit too. */
    @Transactional
    public void tellEmergency(long clientId, LocalDate day, Answer emergency) {
        mapper.onDay(clientId, day).ifPresent(v -> mapper.addAnswer(v.id(), emergency));
    }

    /** An emergency was answered or called out on that day and was not corrected: nothing goes on. */
    public boolean emergencyStands(long clientId, LocalDate day) {
        VisitMapper.Told told = mapper.told(clientId, day, EMERGENCY_CODES);
        return told.answered()
                || (told.toldFromHome()
                        && fromHome.standing(clientId, day).stream().anyMatch(EMERGENCIES::contains));
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
            fromHome.takenBack(visit.client().id(), code, staffId, reason);
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
            keepFromHome(visit, staffId, reason);
            audit.record(staffId, visit.client().id(), "ASK_FIRST_OVERRIDDEN", reason);
        }
    }

    /** Screening of today if she told this as well. */
    public Screening ifTold(ClientFile client, Answer also) {
        Set<Answer> answers = EnumSet.of(also);
        Visit visit = today(client.id()).orElse(null);
        answers.addAll(visit == null ? fromHome.standing(client.id(), today.date()) : visit.answers());
        return screen(client, answers, visit != null && visit.overridden(), today.date());
    }

    /** What she told from home and was let pass stays in the visit's own answers, and stands no longer beyond it. */
    private void keepFromHome(Visit visit, long staffId, String reason) {
        for (Answer code : visit.answers()) {
            if (code.leadsTo() == Outcome.ASK_FIRST) {
                mapper.addAnswer(visit.id(), code);
                fromHome.takenBack(visit.client().id(), code, staffId, reason);
            }
        }
    }

    public void markAsked(long visitId) {
        mapper.markAsked(visitId);
    }

    private Visit visit(VisitRow row) {
        ClientFile client = clients.file(row.clientId());
        Set<Answer> answers = EnumSet.noneOf(Answer.class);
        answers.addAll(mapper.answers(row.id()));
        answers.addAll(fromHome.standing(row.clientId(), row.heldOn()));
        return new Visit(row, client, answers, screen(client, answers, row.askFirstOverride() != null, row.heldOn()));
    }

    /** What counts in each of these visits, given in it or from home, by visit. */
    public Map<Long, Set<Answer>> answersIn(List<VisitRow> visits) {
        Map<Long, Set<Answer>> all = new HashMap<>();
        if (visits.isEmpty()) {
            return all;
        }
        Set<Long> clients = visits.stream().map(VisitRow::clientId).collect(Collectors.toSet());
        Map<Long, List<HomeFlag>> home = fromHome.openOf(clients);
        for (VisitRow visit : visits) {
            Set<Answer> answers = EnumSet.noneOf(Answer.class);
            answers.addAll(FromHome.standing(home.getOrDefault(visit.clientId(), List.of()), visit.heldOn()));
            all.put(visit.id(), answers);
        }
        for (VisitMapper.AnswerOf answer : mapper.answersOf(clients)) {
            Optional.ofNullable(all.get(answer.visitId())).ifPresent(a -> a.add(answer.code()));
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
