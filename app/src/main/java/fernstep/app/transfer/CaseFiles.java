package fernstep.app.transfer;

import fernstep.app.ask.VisitRow;
import fernstep.app.ask.Visits;
import fernstep.app.check.CheckEntries;
import fernstep.app.check.FindingRow;
import fernstep.app.check.ReadingRow;
import fernstep.app.client.ClientFile;
import fernstep.app.client.ClientRow;
import fernstep.app.client.Clients;
import fernstep.app.progress.CleanSettingRow;
import fernstep.app.progress.LadderRow;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.support.NotFound;
import fernstep.core.approach.StanceChange;
import fernstep.core.approach.Stances;
import fernstep.core.measure.Side;
import fernstep.core.screening.Answer;
import fernstep.exchange.casefile.CaseFile;
import fernstep.exchange.casefile.CaseFile.Found;
import fernstep.exchange.casefile.CaseFile.Read;
import fernstep.exchange.casefile.CaseFile.Standing;
import fernstep.exchange.casefile.CaseFile.Trained;
import fernstep.exchange.casefile.CaseFile.Visited;
import fernstep.exchange.casefile.CaseFile.Went;
import fernstep.exchange.casefile.CaseFile.WentEased;
import fernstep.exchange.fhir.FhirFiles;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Clients' records as case files. */
@Service
class CaseFiles {
    private static final long ONCE_STARTED_S = 60;
    private static final long NEVER_AGAIN_S = 10_000_000;

    private final Clients clients;
    private final Visits visits;
    private final CheckEntries entries;
    private final Results results;
    private final TransferMapper mapper;

    CaseFiles(Clients clients, Visits visits, CheckEntries entries, Results results, TransferMapper mapper) {
        this.clients = clients;
        this.visits = visits;
        this.entries = entries;
        this.results = results;
        this.mapper = mapper;
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
        return of(List.of(clientId), therapist).values().stream()
                .findFirst()
                .orElseThrow(() -> new NotFound("no client " + clientId));
    }

    /** As many queries for many as for one; by client, who is gone is left out. */
    @Transactional(readOnly = true)
    public Map<Long, CaseFile> of(Collection<Long> clientIds, boolean therapist) {
        Rows rows = new Rows(clientIds);
        Map<Long, CaseFile> all = new LinkedHashMap<>();
        clients.files(clientIds).forEach(client -> all.put(client.id(), file(client, rows, therapist)));
        return all;
    }

    /** What is stored of some clients beside their files. */
    private final class Rows {
        private final Map<Long, List<VisitRow>> visitsOf;
        private final Map<Long, Set<Answer>> answersIn;
        private final Map<Long, List<ReadingRow>> readingsIn;
        private final Map<Long, List<FindingRow>> findingsIn;
        private final Map<Long, List<LadderRow>> stepsOf;
        private final Map<Long, List<ResultRow>> resultsOf;
        private final Map<String, Boolean> atHome;
        private final Map<String, CleanSettingRow> easedIn;

        private @Nullable WentEased eased(ResultRow result) {
            CleanSettingRow row = easedIn.get(result.sessionId() + result.rung() + result.side());
            return row == null ? null : new WentEased(row.setting(), row.because());
        }

        Rows(Collection<Long> ids) {
            List<VisitRow> held = visits.ofClients(ids);
            visitsOf = held.stream().collect(Collectors.groupingBy(VisitRow::clientId));
            answersIn = visits.answersIn(held);
            readingsIn = entries.readingsOf(ids).stream().collect(Collectors.groupingBy(ReadingRow::visitId));
            findingsIn = entries.findingsOf(ids).stream().collect(Collectors.groupingBy(FindingRow::visitId));
            stepsOf = results.stepsOf(ids).stream().collect(Collectors.groupingBy(LadderRow::clientId));
            resultsOf = results.ofClients(ids).stream().collect(Collectors.groupingBy(ResultRow::clientId));
            easedIn = results.cleanSettingsOf(ids).stream()
                    .collect(Collectors.toMap(
                            row -> row.sessionId() + row.rung() + row.side(),
                            Function.identity(),
                            (one, other) -> other));
            atHome = mapper.sessionsOf(ids).stream().collect(Collectors.toMap(SessionOf::id, SessionOf::atHome));
        }
    }

    private static CaseFile file(ClientFile client, Rows rows, boolean therapist) {
        ClientRow row = client.row();
        Stances own = client.stances();
        Map<StanceChange, String> changes = new EnumMap<>(StanceChange.class);
        StanceChange.between(row.approach().stances(), own).forEach(change -> changes.put(change, change.of(own)));
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
                rows.visitsOf.getOrDefault(client.id(), List.of()).stream()
                        .sorted(Comparator.comparing(VisitRow::heldOn))
                        .map(visitRow -> visited(visitRow, rows, therapist))
                        .toList(),
                rows.stepsOf.getOrDefault(client.id(), List.of()).stream()
                        .map(CaseFiles::standing)
                        .sorted(Comparator.comparing(Standing::strand)
                                .thenComparing(standing -> String.valueOf(standing.side())))
                        .toList(),
                sessions(rows.resultsOf.getOrDefault(client.id(), List.of()), rows));
    }

    /** Not said is stored as nothing or as an empty text. */
    private static @Nullable String hand(@Nullable String stored) {
        return stored == null || stored.isBlank() ? null : stored;
    }

    private static Visited visited(VisitRow row, Rows rows, boolean therapist) {
        return new Visited(
                row.heldOn(),
                row.askedAt() != null,
                rows.answersIn.getOrDefault(row.id(), Set.of()),
                rows.readingsIn.getOrDefault(row.id(), List.of()).stream()
                        .sorted(Comparator.comparing(ReadingRow::siteCm).thenComparing(ReadingRow::conditionCode))
                        .map(readingRow -> new Read(
                                readingRow.siteCm(),
                                readingRow.conditionCode(),
                                readingRow.method(),
                                Arrays.stream(readingRow.readingValues().strip().split("\\s+"))
                                        .map(Double::valueOf)
                                        .toList(),
                                readingRow.depthMm(),
                                readingRow.depthCode(),
                                readingRow.feel()))
                        .toList(),
                rows.findingsIn.getOrDefault(row.id(), List.of()).stream()
                        .filter(findingRow -> therapist || !findingRow.name().therapistOnly())
                        .sorted(Comparator.comparing(FindingRow::name).thenComparing(FindingRow::side))
                        .map(findingRow ->
                                new Found(findingRow.name(), side(findingRow.side()), findingRow.findingValue()))
                        .toList());
    }

    private static @Nullable Side side(String side) {
        return side.isEmpty() ? null : Side.valueOf(side);
    }

    private static Standing standing(LadderRow row) {
        return new Standing(
                row.strand(),
                row.sideOrNull(),
                row.rung(),
                row.dose(),
                row.rangeFraction(),
                row.since(),
                row.changeCode());
    }

    private static List<Trained> sessions(List<ResultRow> results, Rows known) {
        Map<String, List<ResultRow>> bySession = results.stream().collect(Collectors.groupingBy(ResultRow::sessionId));
        List<Trained> all = new ArrayList<>();
        bySession.forEach((id, rows) -> all.add(new Trained(
                rows.get(0).heldOn(),
                Boolean.TRUE.equals(known.atHome.get(id)),
                rows.stream()
                        .sorted(Comparator.comparing(ResultRow::rung).thenComparing(ResultRow::side))
                        .map(row -> new Went(
                                row.rung(),
                                row.sideOrNull(),
                                row.result(),
                                row.effort(),
                                row.nextDay(),
                                row.signs(),
                                row.rangeFraction(),
                                row.amount(),
                                known.eased(row)))
                        .toList())));
        all.sort(Comparator.comparing(Trained::date)
                .thenComparing(Trained::atHome)
                .thenComparing(trained -> trained.results().toString()));
        return all;
    }
}
