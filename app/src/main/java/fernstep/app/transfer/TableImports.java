package fernstep.app.transfer;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.app.support.Words;
import fernstep.exchange.table.TableKind;
import fernstep.exchange.table.TableKind.Column;
import fernstep.exchange.table.TableText;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/** Tables that are brought in: looked at, read by columns that a hand can correct, taken in the background, taken back. */
@Service
class TableImports {
    private static final Logger LOG = LoggerFactory.getLogger(TableImports.class);
    private static final int LOOKS_KEPT = 3;
    private static final Duration KEPT_FOR = Duration.ofMinutes(10);

    private final TableMapper mapper;
    private final TableLooks looks;
    private final TableWriter writer;
    private final Audit audit;
    private final Words words;
    private final ExecutorService worker = Executors.newSingleThreadExecutor(task -> {
        Thread thread = new Thread(task, "table imports");
        thread.setDaemon(true);
        return thread;
    });
    /** A look at a large table takes seconds, and its pages are turned. */
    private final Cache<Look, TablePreview> kept = Caffeine.newBuilder()
            .maximumSize(LOOKS_KEPT)
            .expireAfterWrite(KEPT_FOR)
            .build();

    private record Look(
            String formId,
            @Nullable String kind,
            String matched,
            String about,
            @Nullable String characters) {}

    TableImports(TableMapper mapper, TableLooks looks, TableWriter writer, Audit audit, Words words) {
        this.mapper = mapper;
        this.looks = looks;
        this.writer = writer;
        this.audit = audit;
        this.words = words;
    }

    @PreDestroy
    void end() {
        worker.shutdownNow();
    }

    void keep(String formId, long staffId, String fileName, byte[] body) {
        mapper.forget();
        mapper.insert(formId, staffId, fileName, body);
    }

    /** While it is only looked at, nobody but who brought it in sees it. */
    TableImportRow byForm(String formId, long staffId) {
        return Optional.of(byForm(formId))
                .filter(row -> row.state() != TableImportRow.State.LOOKED || row.staffId() == staffId)
                .orElseThrow(() -> new NotFound("no table of hers " + formId));
    }

    private TableImportRow byForm(String formId) {
        return mapper.byForm(formId).orElseThrow(() -> new NotFound("no table " + formId));
    }

    List<TableImportRow> undoable() {
        return mapper.undoable();
    }

    /** @throws TableText.Refused where it is no table, or its characters must be said */
    TableText table(TableImportRow row) throws TableText.Refused {
        return TableText.read(row.body(), row.characters());
    }

    /** What somebody chose, or what the names of the columns say. */
    TableKind kind(TableImportRow row, TableText table) {
        return row.kind() == null
                ? TableKind.of(table.header()).orElse(TableKind.READINGS)
                : TableKind.valueOf(row.kind());
    }

    Map<Column, Integer> columns(TableImportRow row, TableText table) {
        if (row.matched().isEmpty()) {
            return kind(row, table).matched(table.header());
        }
        Map<Column, Integer> columns = new EnumMap<>(Column.class);
        for (String part : row.matched().split(",")) {
            String[] pair = part.split("=");
            columns.put(Column.valueOf(pair[0]), Integer.valueOf(pair[1]));
        }
        return columns;
    }

    /**
     * What would become of it; empty while needed columns are not found.
     *
     * @throws TableText.Refused where it is no table, or its characters must be said
     */
    Optional<TablePreview> look(TableImportRow row) throws TableText.Refused {
        Look key = new Look(row.formId(), row.kind(), row.matched(), row.about(), row.characters());
        TablePreview before = kept.getIfPresent(key);
        if (before != null) {
            return Optional.of(before);
        }
        Optional<TablePreview> now = lookNow(row);
        now.ifPresent(preview -> kept.put(key, preview));
        return now;
    }

    private Optional<TablePreview> lookNow(TableImportRow row) throws TableText.Refused {
        TableText table = table(row);
        TableKind kind = kind(row, table);
        Map<Column, Integer> columns = columns(row, table);
        List<Column> missing = kind.missing(columns).stream()
                .filter(column -> column != Column.CLIENT || row.about().isEmpty())
                .toList();
        return missing.isEmpty()
                ? Optional.of(looks.look(table, kind, columns, row.about(), row.staffId()))
                : Optional.empty();
    }

    /** Only its characters are known so far. */
    void characters(String formId, @Nullable String characters) {
        mapper.characters(formId, characters);
    }

    void settings(
            String formId, TableKind kind, Map<Column, Integer> columns, String about, @Nullable String characters) {
        String matched = columns.entrySet().stream()
                .map(entry -> entry.getKey() + "=" + entry.getValue())
                .collect(Collectors.joining(","));
        mapper.settings(formId, kind.name(), matched, about, characters);
    }

    /**
     * Writes it in the background; sent twice it is written once.
     *
     * @param alsoIncomplete without the rows that are refused
     * @return false where it is no table that can be read, or some rows are refused and only all of it was wanted
     */
    boolean take(String formId, boolean alsoIncomplete) {
        TableImportRow row = byForm(formId);
        if (row.state() != TableImportRow.State.LOOKED && !row.stuck()) {
            return true;
        }
        Optional<TablePreview> preview;
        try {
            preview = lookNow(row);
        } catch (TableText.Refused e) {
            return false;
        }
        if (preview.isEmpty()
                || (!alsoIncomplete && preview.get().refused() > 0)
                || preview.get().toWrite().isEmpty()) {
            return false;
        }
        if (mapper.begin(formId, preview.get().toWrite().size()) == 1) {
            kept.invalidateAll();
            worker.execute(() -> quietly(formId, () -> write(row, preview.get())));
        }
        return true;
    }

    private void write(TableImportRow row, TablePreview preview) {
        boolean whole = writer.write(row, preview, words.text("transfer.tableReason", row.fileName()));
        if (whole) {
            mapper.end(row.formId(), TableImportRow.State.TAKEN);
            for (long client : mapper.clientsOf(row.formId())) {
                audit.record(row.staffId(), client, "TABLE_IMPORTED", row.fileName());
            }
        } else {
            writer.takeBack(row.formId(), row.staffId(), words.text("transfer.tableBack", row.fileName()));
            mapper.end(row.formId(), TableImportRow.State.UNDONE);
        }
    }

    private static void quietly(String formId, Runnable work) {
        try {
            work.run();
        } catch (RuntimeException e) {
            // its page shows that it rests, and lets it be taken back
            LOG.error("table {} stopped", formId, e);
        }
    }

    /** What is being written stops and is taken back. */
    void cancel(String formId) {
        mapper.cancel(formId);
    }

    /**
     * All of it goes again, as long as nothing it wrote was changed since.
     *
     * @return how many of its records were changed since: then nothing is done
     */
    int undo(String formId, long staffId) {
        TableImportRow row = byForm(formId);
        int changed = writer.changedSince(formId);
        if (changed == 0 && mapper.beginUndo(formId) == 1) {
            List<Long> whom = mapper.clientsOf(formId);
            worker.execute(() -> quietly(formId, () -> {
                writer.takeBack(formId, staffId, words.text("transfer.tableBack", row.fileName()));
                mapper.end(formId, TableImportRow.State.UNDONE);
                whom.forEach(number -> audit.record(staffId, number, "TABLE_UNDONE", row.fileName()));
            }));
        }
        return changed;
    }

    /** For pages: those that show what is chosen. */
    static Optional<TableKind> kindOf(String text) {
        return Arrays.stream(TableKind.values())
                .filter(kind -> kind.name().equals(text))
                .findFirst();
    }
}
