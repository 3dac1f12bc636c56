package fernstep.app.changes;

import fernstep.app.ask.Visits;
import fernstep.app.check.CheckEntries;
import fernstep.app.check.Checks;
import fernstep.app.check.ReadingRow;
import fernstep.app.client.ClientFile;
import fernstep.app.client.Clients;
import fernstep.app.support.PartOfRecord;
import fernstep.core.separation.Depth;
import fernstep.core.separation.Reading;
import fernstep.exchange.table.ReadingsCsv;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The readings of every visit as CSV, one a line. */
@Component
public class ReadingsFile implements PartOfRecord {
    private final Clients clients;
    private final Visits visits;
    private final Checks checks;
    private final CheckEntries entries;

    ReadingsFile(Clients clients, Visits visits, Checks checks, CheckEntries entries) {
        this.entries = entries;
        this.clients = clients;
        this.visits = visits;
        this.checks = checks;
    }

    public byte[] of(long clientId) {
        return ReadingsCsv.write(lines(clientId)).getBytes(StandardCharsets.UTF_8);
    }

    /** Oldest first, as wide as they count with the fingers of who felt them. */
    public List<ReadingsCsv.Line> lines(long clientId) {
        ClientFile client = clients.file(clientId);
        return checks.history(visits.ofClient(clientId)).stream()
                .flatMap(taken -> {
                    List<ReadingRow> rows = entries.readings(taken.visit().id());
                    return checks.changes(client, taken, taken).separation().widths().stream()
                            .map(width ->
                                    new ReadingsCsv.Line(taken.visit().heldOn(), width, depth(rows, width.reading())));
                })
                .toList();
    }

    private static @Nullable Depth depth(List<ReadingRow> rows, Reading reading) {
        return rows.stream()
                .filter(row -> row.siteCm() == reading.siteCm() && row.conditionCode() == reading.condition())
                .findFirst()
                .map(ReadingRow::depthCode)
                .orElse(null);
    }

    @Override
    public void write(long clientId, Asking who, Folder folder) throws IOException {
        folder.add("readings.csv", of(clientId));
    }
}
