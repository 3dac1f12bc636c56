package fernstep.app.standing;

import fernstep.app.client.ClearanceGiven;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.app.support.Today;
import fernstep.core.client.Clearance;
import fernstep.core.client.Licence;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Answer;
import fernstep.core.standing.Concern;
import fernstep.core.standing.Lift;
import fernstep.core.standing.SafetyReport;
import fernstep.core.standing.Standing;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what was reported of clients' safety and what was lifted, and says what stands. */
@Service
public class Standings {
    private static final int LONGEST_FOUND = 300;

    private final StandingMapper mapper;
    private final Catalogues catalogues;
    private final Audit audit;
    private final Today today;
    private final Clock clock;

    Standings(StandingMapper mapper, Catalogues catalogues, Audit audit, Today today, Clock clock) {
        this.mapper = mapper;
        this.catalogues = catalogues;
        this.audit = audit;
        this.today = today;
        this.clock = clock;
    }

    /** What stands of a client now; one statement. */
    public Standing of(long clientId) {
        return standing(mapper.ofClient(clientId));
    }

    /** Of many clients; who is not in it has nothing on file. */
    public Map<Long, Standing> ofClients(@Nullable Collection<Long> clients) {
        Map<Long, List<StandingMapper.Row>> byClient = new LinkedHashMap<>();
        mapper.ofClients(clients)
                .forEach(row -> byClient.computeIfAbsent(row.report().clientId(), id -> new ArrayList<>())
                        .add(row));
        Map<Long, Standing> all = new LinkedHashMap<>();
        byClient.forEach((client, rows) -> all.put(client, standing(rows)));
        return all;
    }

    private Standing standing(List<StandingMapper.Row> rows) {
        return rows.isEmpty()
                ? Standing.NOTHING_REPORTED
                : Standing.of(
                        reports(rows),
                        rows.stream().flatMap(StandingMapper.Row::lift).toList(),
                        today.date());
    }

    private static List<SafetyReport> reports(List<StandingMapper.Row> rows) {
        return rows.stream()
                .map(StandingMapper.Row::report)
                .distinct()
                .map(ReportRow::asReport)
                .toList();
    }

    /** Everything that was ever reported, newest first, with what was done about it. */
    public List<Reported> history(long clientId) {
        List<StandingMapper.Row> rows = mapper.ofClient(clientId);
        List<Reported> all = new ArrayList<>();
        for (SafetyReport report : reports(rows)) {
            all.add(
                    0,
                    new Reported(
                            report,
                            rows.stream()
                                    .flatMap(StandingMapper.Row::lift)
                                    .filter(lift -> lift.reportId() == report.id())
                                    .toList()));
        }
        return List.copyOf(all);
    }

    /** A report and everything that was done about it. */
    public record Reported(SafetyReport report, List<Lift> lifts) {}

    /** Puts a report down. The same, said at the same moment by the same way, is there once. */
    public void report(long clientId, Concern concern, Heard heard) {
        mapper.insertReport(ReportRow.of(clientId, concern, heard));
    }

    /** In a session a report is put down once, however often it is settled. */
    public void reportOnce(long clientId, Concern concern, Heard heard) {
        ReportRow row = ReportRow.of(clientId, concern, heard);
        if (mapper.inSession(row) == 0) {
            mapper.insertReport(row);
        }
    }

    /** An answer given at a visit: while the same stands already, it is not put down again. */
    public void answered(long clientId, Answer answer, Heard heard) {
        if (of(clientId).saying(answer).isEmpty()) {
            report(clientId, Concern.of(answer), heard);
        }
    }

    /** Who lifts, with which licence. */
    public record By(long staffId, Licence licence) {}

    /**
     * Somebody has looked.
     *
     * @param found what was found; 300 characters at most are kept
     * @throws AccessDeniedException where it takes a licence that who asks does not have
     * @throws NotFound where the client has no such report
     */
    @Transactional
    public void lift(long clientId, long reportId, Lift.Kind kind, Lift.May may, By by, String found) {
        SafetyReport report = reports(mapper.ofClient(clientId)).stream()
                .filter(one -> one.id() == reportId)
                .findFirst()
                .orElseThrow(() -> new NotFound("no report " + reportId));
        if (by.licence().compareTo(report.concern().liftedBy()) < 0) {
            throw new AccessDeniedException("it takes the licence of a therapist");
        }
        String words = found.substring(0, Math.min(LONGEST_FOUND, found.length()));
        mapper.insertLift(new LiftRow(
                reportId,
                clientId,
                kind,
                may,
                by.licence(),
                by.staffId(),
                LocalDateTime.now(clock).withNano(0),
                words));
        audit.record(by.staffId(), clientId, "REPORT_" + kind, said(report).key() + " " + may + ": " + words);
    }

    /** Everything that says this answer is lifted. */
    @Transactional
    public void liftAnswer(long clientId, Answer answer, Lift.Kind kind, By by, String found) {
        of(clientId)
                .saying(answer)
                .forEach(report -> lift(clientId, report.id(), kind, Lift.May.AS_PLANNED, by, found));
    }

    /** Asked at a visit about the same thing: what was held until somebody spoke with her is no longer held for that. */
    @Transactional
    public void askedAbout(long clientId, Answer answer, By by, String found) {
        if (answer == Answer.HEAVINESS) {
            of(clientId).toSpeakAbout().stream()
                    .filter(report -> report.concern() instanceof Concern.PelvicFloor)
                    .forEach(report -> lift(clientId, report.id(), Lift.Kind.SPOKEN, Lift.May.AS_PLANNED, by, found));
        }
    }

    /** A clearance to exercise answers that the surgeon had not given one. */
    @EventListener
    void cleared(ClearanceGiven given) {
        if (given.scope().includes(Clearance.Scope.EXERCISE)) {
            of(given.clientId()).saying(Answer.SURGEON_NOT_CLEARED).stream()
                    .filter(report -> !given.on().isBefore(report.at().toLocalDate()))
                    .forEach(report -> lift(
                            given.clientId(),
                            report.id(),
                            Lift.Kind.CLEARED,
                            Lift.May.AS_PLANNED,
                            new By(given.staffId(), Licence.THERAPIST),
                            given.scope() + " " + given.on()));
        }
    }

    /** What a report says, for whoever reads it in whichever language. */
    public Reason said(SafetyReport report) {
        return report.concern().read(new Said(this::rung));
    }

    private Reason rung(String code) {
        return catalogues
                .get()
                .find(code)
                .map(rung -> Reason.of("rung.name", rung.name(), rung.code()))
                .orElseGet(() -> Reason.of(Reason.VERBATIM, code));
    }

    /** In the words of a key and its facts. */
    private record Said(java.util.function.Function<String, Reason> rung) implements Concern.Reader<Reason> {
        @Override
        public Reason emergency(Answer answer) {
            return Reason.of("reported.answer", answer);
        }

        @Override
        public Reason askFirst(Answer answer) {
            return Reason.of("reported.answer", answer);
        }

        @Override
        public Reason adapts(Answer answer) {
            return Reason.of("reported.answer", answer);
        }

        @Override
        public Reason pelvicFloor(Concern.PelvicFloor floor) {
            return in(floor.sign(), floor.rung());
        }

        private Reason in(SignCode sign, String code) {
            return code.isEmpty()
                    ? Reason.of("reported.signAfterwards", sign)
                    : Reason.of("reported.sign", sign, rung.apply(code));
        }

        @Override
        public Reason leaking(Concern.Leaking leaking) {
            if (!leaking.more()) {
                return in(SignCode.LEAK, leaking.rung());
            }
            return leaking.rung().isEmpty()
                    ? Reason.of("reported.leakingAfterwards")
                    : Reason.of("reported.leaking", rung.apply(leaking.rung()));
        }

        @Override
        public Reason pain(Concern.Pain pain) {
            String key = pain.sharp() ? "reported.painSharp" : "reported.pain";
            Reason where = pain.rung().isEmpty() ? Reason.of("reported.noExercise") : rung.apply(pain.rung());
            return pain.place() == null
                    ? Reason.of(key, pain.painLevel(), where)
                    : Reason.of(key + "At", pain.painLevel(), where, pain.place());
        }

        @Override
        public Reason painAfterwards(int painLevel) {
            return Reason.of("reported.painAfterwards", painLevel);
        }

        @Override
        public Reason pageLocked(int wrongPins) {
            return Reason.of("reported.pageLocked", wrongPins);
        }
    }
}
