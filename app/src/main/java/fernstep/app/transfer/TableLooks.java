package fernstep.app.transfer;

import fernstep.app.access.Access;
import fernstep.app.ask.VisitRow;
import fernstep.app.ask.Visits;
import fernstep.app.check.CheckEntries;
import fernstep.app.check.ReadingRow;
import fernstep.app.client.Clients;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Today;
import fernstep.app.transfer.TablePreview.Becomes;
import fernstep.app.transfer.TablePreview.Line;
import fernstep.core.measure.Numbers;
import fernstep.exchange.casefile.CaseFile;
import fernstep.exchange.casefile.CaseProblem;
import fernstep.exchange.table.TableKind;
import fernstep.exchange.table.TableKind.Column;
import fernstep.exchange.table.TableRows;
import fernstep.exchange.table.TableText;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Holds a table against the record: what each of its rows would make, change or repeat, and what cannot be taken. */
@Service
class TableLooks {
    private final Clients clients;
    private final Access access;
    private final Visits visits;
    private final CheckEntries entries;
    private final Results results;
    private final TransferMapper mapper;
    private final Catalogues catalogues;
    private final Today today;

    TableLooks(
            Clients clients,
            Access access,
            Visits visits,
            CheckEntries entries,
            Results results,
            TransferMapper mapper,
            Catalogues catalogues,
            Today today) {
        this.clients = clients;
        this.access = access;
        this.visits = visits;
        this.entries = entries;
        this.results = results;
        this.mapper = mapper;
        this.catalogues = catalogues;
        this.today = today;
    }

    /** The clients of the house by number and by name. */
    private record Known(Map<Long, String> byId, Map<String, List<Long>> byName) {
        long find(String said) {
            if (said.isEmpty()) {
                throw new CaseProblem("client", "is missing", "a name or a number");
            }
            if (said.matches("[0-9]{1,18}") && byId.containsKey(Long.valueOf(said))) {
                return Long.parseLong(said);
            }
            List<Long> found = byName.getOrDefault(said.toLowerCase(Locale.ROOT), List.of());
            if (found.size() != 1) {
                throw new CaseProblem(
                        "client",
                        found.isEmpty() ? "nobody here is called " + said : "several here are called " + said,
                        found.isEmpty() ? null : "the number of her page");
            }
            return found.get(0);
        }
    }

    private Known known(long staffId) {
        Set<Long> hidden = access.hiddenFrom(staffId);
        Map<Long, String> byId = clients.names().stream()
                .filter(name -> !hidden.contains(name.id()))
                .collect(Collectors.toMap(Clients.Name::id, Clients.Name::name));
        Map<String, List<Long>> byName = new HashMap<>();
        byId.forEach((id, name) -> byName.computeIfAbsent(name.toLowerCase(Locale.ROOT), key -> new ArrayList<>())
                .add(id));
        return new Known(byId, byName);
    }

    /**
     * Looks at a table.
     *
     * @param about whom all rows are about, where no column says it
     */
    TablePreview look(TableText table, TableKind kind, Map<Column, Integer> columns, String about, long staffId) {
        TableRows rows = new TableRows(table, columns, catalogues.get(), today.date());
        Known known = known(staffId);
        List<Line> said = new ArrayList<>();
        for (TableText.Row row : table.rows()) {
            String who = rows.client(row).isEmpty() ? about : rows.client(row);
            try {
                long id = known.find(who);
                LocalDate day = rows.day(row);
                said.add(new Line(
                        row.line(),
                        Becomes.NEW,
                        id,
                        Objects.requireNonNull(known.byId().get(id)),
                        day,
                        kind == TableKind.READINGS ? rows.reading(row) : null,
                        kind == TableKind.SESSIONS ? rows.result(row) : null,
                        kind == TableKind.SESSIONS && rows.atHome(row),
                        null,
                        null));
            } catch (CaseProblem p) {
                said.add(Line.refused(row.line(), who, p));
            }
        }
        Set<Long> whom = said.stream().map(Line::clientId).filter(id -> id > 0).collect(Collectors.toSet());
        return new TablePreview(
                table, kind, columns, kind == TableKind.READINGS ? readings(said, whom) : results(said, whom));
    }

    private record ReadingKey(long clientId, LocalDate day, double siteCm, String condition) {}

    private List<Line> readings(List<Line> said, Collection<Long> about) {
        Map<Long, VisitRow> byVisit =
                visits.ofClients(about).stream().collect(Collectors.toMap(VisitRow::id, row -> row));
        Map<ReadingKey, ReadingRow> there = new HashMap<>();
        for (ReadingRow r : entries.readingsOf(about)) {
            VisitRow v = Objects.requireNonNull(byVisit.get(r.visitId()));
            there.put(
                    new ReadingKey(
                            v.clientId(),
                            v.heldOn(),
                            r.siteCm(),
                            r.conditionCode().name()),
                    r);
        }
        Set<ReadingKey> seen = new HashSet<>();
        return said.stream()
                .map(line -> line.reading() == null ? line : reading(line, line.reading(), there, seen))
                .toList();
    }

    private static Line reading(
            Line line, CaseFile.Read said, Map<ReadingKey, ReadingRow> there, Set<ReadingKey> seen) {
        ReadingKey key = new ReadingKey(
                line.clientId(),
                Objects.requireNonNull(line.day()),
                said.siteCm(),
                said.condition().name());
        if (!seen.add(key)) {
            return Line.refused(
                    line.line(),
                    line.client(),
                    new CaseProblem("site_cm", "an earlier row says this place already", null));
        }
        ReadingRow before = there.get(key);
        if (before == null) {
            return as(line, Becomes.NEW, null);
        }
        boolean same = written(before).equals(written(row(said, 0, 0)));
        return same ? as(line, Becomes.SAME, null) : as(line, Becomes.CHANGED, before);
    }

    private static Line as(Line line, Becomes becomes, @Nullable ReadingRow before) {
        return new Line(
                line.line(),
                becomes,
                line.clientId(),
                line.client(),
                line.day(),
                line.reading(),
                line.result(),
                line.atHome(),
                before,
                null);
    }

    /** As it would be stored. */
    static ReadingRow row(CaseFile.Read read, long visitId, long staffId) {
        return new ReadingRow(
                visitId,
                read.siteCm(),
                read.condition(),
                read.method(),
                read.values().stream().map(Numbers::plain).collect(Collectors.joining(" ")),
                read.depthMm(),
                read.depth(),
                read.feel(),
                staffId);
    }

    /** What a reading says, without where and by whom. */
    static String written(ReadingRow row) {
        return row.method() + "|" + row.readingValues() + "|" + row.depthMm() + "|" + row.depthCode() + "|"
                + row.feel();
    }

    static String written(ResultRow row) {
        return row.result() + "|" + row.effort() + "|" + row.nextDay() + "|" + row.signs() + "|" + row.rangeFraction();
    }

    private record ResultKey(long clientId, LocalDate day, boolean atHome, String rung, String side) {}

    private List<Line> results(List<Line> said, Collection<Long> about) {
        Map<String, Boolean> atHome = about.isEmpty()
                ? Map.of()
                : mapper.sessionsOf(about).stream().collect(Collectors.toMap(SessionOf::id, SessionOf::atHome));
        Map<ResultKey, ResultRow> there = new HashMap<>();
        for (ResultRow r : results.ofClients(about)) {
            boolean home = Boolean.TRUE.equals(atHome.get(r.sessionId()));
            there.put(new ResultKey(r.clientId(), r.heldOn(), home, r.rung(), r.side()), r);
        }
        Set<ResultKey> seen = new HashSet<>();
        return said.stream()
                .map(line -> line.result() == null ? line : result(line, line.result(), there, seen))
                .toList();
    }

    private static Line result(Line line, CaseFile.Went said, Map<ResultKey, ResultRow> there, Set<ResultKey> seen) {
        String side = said.side() == null ? "" : said.side().name();
        LocalDate day = Objects.requireNonNull(line.day());
        ResultKey key = new ResultKey(line.clientId(), day, line.atHome(), said.rung(), side);
        if (!seen.add(key)) {
            return Line.refused(
                    line.line(),
                    line.client(),
                    new CaseProblem("rung", "an earlier row says how it went that day", null));
        }
        ResultRow before = there.get(key);
        if (before == null) {
            return line;
        }
        return written(before).equals(written(row(said, "", line.clientId(), day)))
                ? as(line, Becomes.SAME, null)
                : Line.refused(
                        line.line(),
                        line.client(),
                        new CaseProblem(
                                "rung", "a session of that day says otherwise; what was seen there stays", null));
    }

    /** As it would be stored. */
    static ResultRow row(CaseFile.Went went, String sessionId, long clientId, LocalDate day) {
        return new ResultRow(
                sessionId,
                went.rung(),
                went.side() == null ? "" : went.side().name(),
                clientId,
                day,
                went.result(),
                went.effort(),
                went.nextDay(),
                went.signs(),
                went.range());
    }
}
