package fernstep.app.transfer;

import fernstep.app.ask.VisitMapper;
import fernstep.app.ask.VisitRow;
import fernstep.app.ask.Visits;
import fernstep.app.check.CheckEntries;
import fernstep.app.check.ReadingRow;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.run.PastSessions;
import fernstep.app.run.SessionRow;
import fernstep.app.support.Again;
import fernstep.app.transfer.TablePreview.Line;
import fernstep.app.transfer.WrittenRow.What;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Depth;
import fernstep.core.separation.Feel;
import fernstep.core.separation.Method;
import fernstep.exchange.table.TableKind;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Writes a table in short transactions, so that nobody's session waits for it, and remembers with each what it wrote: a
 * table that is stopped is taken back from that.
 */
@Service
class TableWriter {
    private static final int AT_A_TIME = 500;

    private final TableMapper mapper;
    private final Visits visits;
    private final CheckEntries entries;
    private final Results results;
    private final PastSessions past;
    private final TransactionTemplate together;

    TableWriter(
            TableMapper mapper,
            Visits visits,
            CheckEntries entries,
            Results results,
            PastSessions past,
            PlatformTransactionManager transactions) {
        this.mapper = mapper;
        this.visits = visits;
        this.entries = entries;
        this.results = results;
        this.past = past;
        this.together = new TransactionTemplate(transactions);
    }

    /** @return false where it was cancelled on the way */
    boolean write(TableImportRow table, TablePreview preview, String reason) {
        List<Line> lines = preview.toWrite().stream()
                .sorted(Comparator.comparing(Line::clientId).thenComparing(Line::line))
                .toList();
        for (int from = 0; from < lines.size(); from += AT_A_TIME) {
            List<Line> part = lines.subList(from, Math.min(lines.size(), from + AT_A_TIME));
            int done = from + part.size();
            boolean goOn = Boolean.TRUE.equals(Again.whole(
                    "a part of a table",
                    () -> together.execute(status -> {
                        if (preview.kind() == TableKind.READINGS) {
                            readings(table, part, reason);
                        } else {
                            sessions(table, part);
                        }
                        return mapper.moved(table.formId(), done) == 1;
                    })));
            if (!goOn) {
                return false;
            }
        }
        return true;
    }

    private record OnDay(long clientId, LocalDate day) {}

    private void readings(TableImportRow table, List<Line> part, String reason) {
        Set<Long> whom = part.stream().map(Line::clientId).collect(Collectors.toSet());
        Map<OnDay, Long> there = visitsOf(whom);
        Set<OnDay> made = new HashSet<>();
        part.stream()
                .map(each -> new OnDay(each.clientId(), Objects.requireNonNull(each.day())))
                .filter(onDay -> !there.containsKey(onDay))
                .forEach(made::add);
        if (!made.isEmpty()) {
            visits.past(made.stream()
                    .map(onDay -> new VisitMapper.Past(onDay.clientId(), onDay.day(), table.staffId()))
                    .toList());
            there.putAll(visitsOf(whom));
        }
        List<CheckEntries.Changed> readings = new ArrayList<>();
        List<WrittenRow> written = new ArrayList<>();
        for (Line l : part) {
            OnDay day = new OnDay(l.clientId(), Objects.requireNonNull(l.day()));
            long visit = Objects.requireNonNull(there.get(day));
            int line = (int) l.line();
            if (made.remove(day)) {
                written.add(new WrittenRow(table.formId(), line, What.VISIT, l.clientId(), "" + visit, null, ""));
            }
            ReadingRow row = TableLooks.row(Objects.requireNonNull(l.reading()), visit, table.staffId());
            readings.add(new CheckEntries.Changed(l.clientId(), row, l.before()));
            written.add(new WrittenRow(
                    table.formId(),
                    line,
                    What.READING,
                    l.clientId(),
                    visit + "|" + row.siteCm() + "|" + row.conditionCode(),
                    l.before() == null
                            ? null
                            : TableLooks.written(l.before()) + "|" + l.before().staffId(),
                    TableLooks.written(row)));
        }
        entries.putAll(readings, reason);
        mapper.written(written);
    }

    private Map<OnDay, Long> visitsOf(Collection<Long> clients) {
        Map<OnDay, Long> all = new HashMap<>();
        for (VisitRow v : visits.ofClients(clients)) {
            all.put(new OnDay(v.clientId(), v.heldOn()), v.id());
        }
        return all;
    }

    private void sessions(TableImportRow table, List<Line> part) {
        Map<String, SessionRow> home = new HashMap<>();
        Map<String, SessionRow> studio = new HashMap<>();
        List<ResultRow> rows = new ArrayList<>();
        List<WrittenRow> written = new ArrayList<>();
        for (Line l : part) {
            LocalDate day = Objects.requireNonNull(l.day());
            // the rows of a day belong together, however far apart they stand
            String id = UUID.nameUUIDFromBytes((table.formId() + "|" + l.clientId() + "|" + day + "|" + l.atHome())
                            .getBytes(StandardCharsets.UTF_8))
                    .toString();
            int line = (int) l.line();
            SessionRow session = new SessionRow(id, l.clientId(), day, table.staffId(), null);
            if ((l.atHome() ? home : studio).putIfAbsent(id, session) == null) {
                written.add(new WrittenRow(table.formId(), line, What.SESSION, l.clientId(), id, null, ""));
            }
            ResultRow row = TableLooks.row(Objects.requireNonNull(l.result()), id, l.clientId(), day);
            rows.add(row);
            written.add(new WrittenRow(
                    table.formId(),
                    line,
                    What.RESULT,
                    l.clientId(),
                    id + "|" + row.rung() + "|" + row.side(),
                    null,
                    TableLooks.written(row)));
        }
        if (!home.isEmpty()) {
            past.keep(List.copyOf(home.values()), true);
        }
        if (!studio.isEmpty()) {
            past.keep(List.copyOf(studio.values()), false);
        }
        results.putAll(rows);
        mapper.written(written);
    }

    /** How many of the records a table wrote say something else by now. */
    int changedSince(String formId) {
        List<Long> whom = mapper.clientsOf(formId);
        Map<String, String> now = new HashMap<>();
        entries.readingsOf(whom)
                .forEach(row -> now.put(
                        row.visitId() + "|" + row.siteCm() + "|" + row.conditionCode(), TableLooks.written(row)));
        results.ofClients(whom)
                .forEach(
                        row -> now.put(row.sessionId() + "|" + row.rung() + "|" + row.side(), TableLooks.written(row)));
        return (int) mapper.rows(formId).stream()
                .filter(row -> row.what() == What.READING || row.what() == What.RESULT)
                .filter(row -> !row.afterValue().equals(now.get(row.recordKey())))
                .count();
    }

    /** All that a table wrote goes again, and what stood there before stands there again. */
    void takeBack(String formId, long staffId, String reason) {
        List<WrittenRow> rows = mapper.rows(formId);
        int left = rows.size();
        for (What what : What.values()) {
            List<WrittenRow> same =
                    rows.stream().filter(row -> row.what() == what).toList();
            for (int from = 0; from < same.size(); from += AT_A_TIME) {
                List<WrittenRow> part = same.subList(from, Math.min(same.size(), from + AT_A_TIME));
                left -= part.size();
                int still = left;
                Again.whole(
                        "a part of a table, back",
                        () -> together.execute(status -> {
                            back(what, part, staffId, reason);
                            mapper.forgetRows(
                                    formId,
                                    what,
                                    part.get(0).lineNo(),
                                    part.get(part.size() - 1).lineNo());
                            mapper.movedBack(formId, still);
                            return true;
                        }));
            }
        }
    }

    private void back(What what, List<WrittenRow> part, long staffId, String reason) {
        List<String> keys = part.stream().map(WrittenRow::recordKey).toList();
        switch (what) {
            case READING ->
                entries.takeBack(part.stream().map(row -> changed(row, staffId)).toList(), reason);
            // with their sessions
            case RESULT -> {}
            case SESSION -> past.remove(keys);
            case VISIT -> visits.removeEmpty(keys.stream().map(Long::valueOf).toList());
        }
    }

    private static CheckEntries.Changed changed(WrittenRow row, long staffId) {
        String[] key = row.recordKey().split("\\|");
        return new CheckEntries.Changed(
                row.clientId(),
                reading(key, row.afterValue(), staffId),
                row.beforeValue() == null ? null : reading(key, row.beforeValue(), staffId));
    }

    private static ReadingRow reading(String[] key, String written, long staffId) {
        String[] parts = written.split("\\|");
        return new ReadingRow(
                Long.parseLong(key[0]),
                Double.parseDouble(key[1]),
                Condition.valueOf(key[2]),
                Method.valueOf(parts[0]),
                parts[1],
                said(parts[2]) == null ? null : Double.valueOf(parts[2]),
                said(parts[3]) == null ? null : Depth.valueOf(parts[3]),
                said(parts[4]) == null ? null : Feel.valueOf(parts[4]),
                parts.length > 5 ? Long.parseLong(parts[5]) : staffId);
    }

    private static @Nullable String said(String part) {
        return part.equals("null") ? null : part;
    }
}
