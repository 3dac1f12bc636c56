package fernstep.app.board;

import fernstep.app.check.FindingValues;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.progress.HoldRow;
import fernstep.app.progress.LadderRow;
import fernstep.app.progress.Ladders;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Standing;
import fernstep.app.standing.Standings;
import fernstep.app.support.Today;
import fernstep.app.support.Words;
import fernstep.core.caseload.Attention;
import fernstep.core.client.Restriction;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Recorded;
import fernstep.core.measure.Reason;
import fernstep.core.progress.Progress;
import fernstep.core.screening.Answer;
import fernstep.core.screening.Screening;
import fernstep.core.standing.Concern;
import fernstep.core.standing.Level;
import fernstep.core.standing.SafetyReport;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/** Works out the board's rows from what is on file, for as many clients at once as are asked for. */
@Service
class Board {
    private static final Logger LOG = LoggerFactory.getLogger(Board.class);
    private static final int LOG_LOOKS_BACK_DAYS = 90;
    private static final int WEEK = 7;
    private static final DateTimeFormatter HOUR = DateTimeFormatter.ofPattern("HH:mm");
    private final Clients clients;
    private final Ladders ladders;
    private final Standings standings;
    private final BoardMapper mapper;
    private final Today today;

    Board(Clients clients, Ladders ladders, Standings standings, BoardMapper mapper, Today today) {
        this.standings = standings;
        this.clients = clients;
        this.ladders = ladders;
        this.mapper = mapper;
        this.today = today;
    }

    /**
     * One client on the board.
     *
     * @param stage null where she could not be worked out
     * @param waits what waits, most urgent first
     * @param nextVisit the day agreed with her; null without one
     * @param nextCheck when the separation is to be checked again
     * @param searched everything on the row in small letters, by language; filled when somebody searches
     */
    record Row(
            long id,
            String name,
            @Nullable Reason stage,
            List<Tag> waits,
            int urgency,
            @Nullable LocalDate lastVisit,
            @Nullable LocalDate nextVisit,
            @Nullable LocalDate nextCheck,
            Sprig sprig,
            Map<Locale, String> searched) {

        /** Whether it says the same: then what was made of it holds. */
        boolean says(Row other) {
            return id == other.id
                    && name.equals(other.name)
                    && Objects.equals(stage, other.stage)
                    && waits.equals(other.waits)
                    && Objects.equals(lastVisit, other.lastVisit)
                    && Objects.equals(nextVisit, other.nextVisit)
                    && Objects.equals(nextCheck, other.nextCheck)
                    && sprig.equals(other.sprig);
        }

        /** What can be searched, in the language of whoever reads. */
        String searched(Words words) {
            return searched.computeIfAbsent(words.locale(), key -> text(words).toLowerCase(key));
        }

        private String text(Words words) {
            return Stream.concat(Stream.ofNullable(stage), waits.stream().map(Tag::reason))
                    .map(words::of)
                    .collect(Collectors.joining(" ", name + " ", ""));
        }
    }

    /** One thing that waits; no kind where it could not be worked out. */
    record Tag(Attention.@Nullable Kind kind, Reason reason) {
        public String tone() {
            if (kind == null) {
                return "tag-stop";
            }
            return switch (kind) {
                case EMERGENCY, ASK_FIRST, HELD, REFER, NEXT_DAY -> "tag-stop";
                case READY -> "tag-open";
                case GATE_SOON, GARMENT_ENDING -> "";
                default -> "tag-warn";
            };
        }
    }

    /** @param ids whose; null for everybody */
    List<Row> rows(@Nullable Collection<Long> ids) {
        LocalDate day = today.date();
        Loaded loaded = new Loaded(
                mapper.lastVisits(ids).stream().collect(Collectors.toMap(LastVisit::clientId, Function.identity())),
                mapper.nextVisits(day, ids).stream()
                        .collect(Collectors.toMap(BoardMapper.NextVisit::clientId, BoardMapper.NextVisit::day)),
                standings.ofClients(ids),
                Set.copyOf(mapper.overriddenOn(day, ids)),
                mapper.lifted(ids).stream().collect(Collectors.groupingBy(BoardMapper.LiftedRow::clientId)),
                mapper.steps(ids).stream().collect(Collectors.groupingBy(LadderRow::clientId)),
                mapper.holds(ids),
                mapper.results(day.minusDays(LOG_LOOKS_BACK_DAYS), ids).stream()
                        .collect(Collectors.groupingBy(ResultRow::clientId)),
                mapper.findings(ids).stream().collect(Collectors.groupingBy(BoardMapper.LatestFinding::clientId)),
                mapper.lastRises(ids).stream()
                        .collect(Collectors.toMap(BoardMapper.LastRise::clientId, BoardMapper.LastRise::day)));
        List<ClientFile> files = ids == null ? clients.all() : clients.files(ids);
        return files.parallelStream()
                .map(file -> rowOrWhyNot(file, loaded, day))
                .toList();
    }

    private record Loaded(
            Map<Long, LastVisit> visits,
            Map<Long, LocalDate> nextVisits,
            Map<Long, fernstep.core.standing.Standing> safety,
            Set<Long> overridden,
            Map<Long, List<BoardMapper.LiftedRow>> lifted,
            Map<Long, List<LadderRow>> steps,
            List<HoldRow> holds,
            Map<Long, List<ResultRow>> results,
            Map<Long, List<BoardMapper.LatestFinding>> findings,
            Map<Long, LocalDate> lastRises) {
        fernstep.core.standing.Standing safetyOf(long client) {
            return safety.getOrDefault(client, fernstep.core.standing.Standing.NOTHING_REPORTED);
        }
    }

    /** One client who cannot be worked out says so, with an id that stands in the log; the others stay. */
    private Row rowOrWhyNot(ClientFile client, Loaded loaded, LocalDate day) {
        try {
            return row(client, loaded, day);
        } catch (RuntimeException e) {
            String id = UUID.randomUUID().toString().substring(0, 8);
            LOG.error("error {} client {} could not be worked out for the board", id, client.id(), e);
            return new Row(
                    client.id(),
                    client.name(),
                    null,
                    List.of(new Tag(null, Reason.of("board.notWorkedOut", id))),
                    0,
                    null,
                    null,
                    null,
                    Sprig.of(List.of()),
                    new ConcurrentHashMap<>());
        }
    }

    private Row row(ClientFile client, Loaded loaded, LocalDate day) {
        long id = client.id();
        LastVisit last = loaded.visits().get(id);
        Screening screening = screening(client, loaded, last, day);
        List<LadderRow> steps = loaded.steps().getOrDefault(id, List.of());
        List<ResultRow> results = loaded.results().getOrDefault(id, List.of());
        List<Standing> standings = ladders.outline(
                client, screening, steps, results, loaded.holds(), findings(loaded, id), loaded.safetyOf(id));
        if (standings.stream().anyMatch(standing -> standing.progress().change() == Progress.Change.NEXT_RUNG)) {
            standings = ladders.standings(client, screening);
        }
        List<LocalDate> days =
                results.stream().map(ResultRow::heldOn).distinct().toList();
        List<Attention> attention = Attention.of(new Attention.Question(
                screening,
                client.facts(),
                client.stances(),
                standings.stream()
                        .filter(standing -> standing.held() == null)
                        .map(Standing::progress)
                        .toList(),
                loaded.lastRises().get(id),
                days.isEmpty() ? null : days.get(days.size() - 1),
                (int) days.stream()
                        .filter(each -> each.isAfter(day.minusDays(WEEK)))
                        .count(),
                steps.stream().mapToInt(LadderRow::daysPerWeek).max().orElse(0),
                day));
        List<Tag> told = loaded.safetyOf(id).open().stream()
                .filter(Board::saidApart)
                .map(this::told)
                .toList();
        List<Tag> tags = Stream.concat(
                        told.stream(), attention.stream().map(each -> new Tag(each.kind(), each.reason())))
                .toList();
        return new Row(
                id,
                client.name(),
                screening.stage().label(),
                tags,
                tags.stream()
                        .flatMap(tag -> Stream.ofNullable(tag.kind()))
                        .mapToInt(Enum::ordinal)
                        .min()
                        .orElse(Attention.Kind.values().length),
                last == null ? null : last.lastVisit(),
                loaded.nextVisits().get(id),
                screening.recheckDue(),
                Sprig.of(standings),
                new ConcurrentHashMap<>());
    }

    /** Answers of a visit are said by the outcome that follows from them. */
    private static boolean saidApart(SafetyReport report) {
        boolean atHome = report.way() == SafetyReport.Way.HOME || report.way() == SafetyReport.Way.LOG;
        return (atHome || report.concern().asAnswer().isEmpty()) && !(report.concern() instanceof Concern.Adapts);
    }

    /** With its hour: an emergency from home is as urgent as one beside the mat. */
    private Tag told(SafetyReport report) {
        Attention.Kind kind =
                switch (report.concern().level()) {
                    case LOCKED -> Attention.Kind.EMERGENCY;
                    case ASK_FIRST -> Attention.Kind.ASK_FIRST;
                    case HELD -> Attention.Kind.HELD;
                    case CLEAR -> Attention.Kind.NEXT_DAY;
                };
        return new Tag(
                kind,
                Reason.of(
                        report.concern().level() == Level.HELD ? "board.speakAbout" : "board.fromHome",
                        Reason.of("words.moment", report.at().toLocalDate(), HOUR.format(report.at())),
                        standings.said(report)));
    }

    private static Screening screening(ClientFile client, Loaded loaded, @Nullable LastVisit last, LocalDate day) {
        Set<Answer> answers = EnumSet.noneOf(Answer.class);
        answers.addAll(loaded.safetyOf(client.id()).answers());
        answers.addAll(loaded.safetyOf(client.id()).adaptsOn(day));
        Set<Restriction> lifted = EnumSet.noneOf(Restriction.class);
        loaded.lifted().getOrDefault(client.id(), List.of()).forEach(row -> lifted.add(row.code()));
        return Screening.of(Screening.Question.of(client.facts(), answers, client.stances(), day)
                .withLastCheck(last == null ? null : last.lastCheck())
                .withOverrides(loaded.overridden().contains(client.id()), lifted));
    }

    private static Findings findings(Loaded loaded, long id) {
        Map<Recorded.Key, String> values = new HashMap<>();
        loaded.findings()
                .getOrDefault(id, List.of())
                .forEach(finding -> FindingValues.put(
                        values, finding.name(), finding.side(), finding.findingValue(), "client " + id));
        return Recorded.of(values).findings();
    }
}
