package fernstep.app.record;

import fernstep.app.photo.Photos;
import fernstep.app.support.PartOfRecord;
import fernstep.core.findings.Finding;
import java.io.IOException;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** All that is stored about one client, table by table: found by its columns, so that a table added later is in it. */
@Service
class Everything implements PartOfRecord {
    private final EverythingMapper mapper;
    private final Photos photos;
    private final JsonMapper json;

    Everything(EverythingMapper mapper, Photos photos, JsonMapper json) {
        this.mapper = mapper;
        this.photos = photos;
        this.json = json;
    }

    /**
     * Read at one moment, as JSON: a list of rows by table.
     *
     * @param who rows that name what only a clinician sees are for clinicians, pictures for those who may see them
     */
    @Transactional(readOnly = true)
    public byte[] of(long clientId, PartOfRecord.Asking who) {
        Map<String, List<Map<String, Object>>> tables = tables(clientId);
        if (!photos.mayBeSeenBy(clientId, who.staffId())) {
            tables.remove("photo");
        }
        return written(tables, who.therapist());
    }

    /** For the machine's own operator: nothing is left out. */
    @Transactional(readOnly = true)
    public byte[] of(long clientId) {
        return written(tables(clientId), true);
    }

    private byte[] written(Map<String, List<Map<String, Object>>> tables, boolean therapist) {
        if (!therapist) {
            tables.replaceAll((table, rows) ->
                    rows.stream().filter(row -> !forTherapists(row)).toList());
        }
        return json.writerWithDefaultPrettyPrinter()
                .writeValueAsBytes(Map.of("format", "fernstep-everything", "version", 1, "tables", tables));
    }

    private Map<String, List<Map<String, Object>>> tables(long clientId) {
        Map<String, List<Map<String, Object>>> tables = new TreeMap<>();
        tables.put("client", List.of(readable(mapper.client(clientId))));
        for (String table : mapper.tablesWith("session_id")) {
            put(tables, table, mapper.ofSessions(table, clientId));
        }
        for (String table : mapper.tablesWith("visit_id")) {
            put(tables, table, mapper.ofVisits(table, clientId));
        }
        for (String table : mapper.tablesWith("recording_id")) {
            put(tables, table, mapper.ofRecordings(table, clientId));
        }
        for (String table : mapper.tablesWith("client_id")) {
            put(tables, table, mapper.ofClient(table, clientId));
        }
        return tables;
    }

    private static void put(
            Map<String, List<Map<String, Object>>> tables, String table, List<Map<String, Object>> rows) {
        tables.put(table, rows.stream().map(Everything::readable).toList());
    }

    private static boolean forTherapists(Map<String, Object> row) {
        return row.values().stream()
                .anyMatch(thing -> thing instanceof String text && Finding.namesTherapistOnly(text));
    }

    private static Map<String, Object> readable(Map<String, Object> row) {
        Map<String, Object> all = new LinkedHashMap<>();
        row.forEach((name, value) -> all.put(name, secret(name) ? "(kept back)" : readable(value)));
        return all;
    }

    /** Digests of links and PINs, and what ends her mail: nothing about her, and not to be passed on. */
    private static boolean secret(String column) {
        return column.endsWith("_hash") || column.endsWith("_token");
    }

    private static @Nullable Object readable(@Nullable Object value) {
        if (value instanceof byte[] bytes) {
            return Base64.getEncoder().encodeToString(bytes);
        }
        return value == null || value instanceof Number || value instanceof Boolean ? value : value.toString();
    }

    @Override
    public void write(long clientId, Asking who, Folder folder) throws IOException {
        folder.add("everything.json", of(clientId, who));
    }
}
