package fernstep.app.transfer;

import fernstep.app.access.Access;
import fernstep.app.client.Clients;
import fernstep.app.support.Audit;
import fernstep.app.support.Today;
import fernstep.exchange.casefile.CaseFile;
import fernstep.exchange.casefile.CaseFileWriter;
import fernstep.exchange.table.Csv;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Semaphore;
import java.util.stream.Collectors;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Service;

/**
 * All clients of the house as case files in one folder, a hundred at a time as they are sent: nothing is kept on this
 * instance, and whoever breaks off leaves nothing behind.
 */
@Service
class HouseExport {
    private static final int AT_ONCE = 100;

    private final CaseFiles files;
    private final Clients clients;
    private final Access access;
    private final Audit audit;
    private final Today today;
    private final Semaphore one = new Semaphore(1);

    HouseExport(CaseFiles files, Clients clients, Access access, Audit audit, Today today) {
        this.files = files;
        this.clients = clients;
        this.access = access;
        this.audit = audit;
        this.today = today;
    }

    /** Another export runs on this instance: two at once would be felt by those at work. */
    static final class Busy extends Exception {
        private static final long serialVersionUID = 1L;
    }

    /**
     * What goes out for somebody.
     *
     * @param clientIds archived ones too
     * @param restricted how many stay, because they are restricted to teams she is not on
     */
    public record Extent(List<Long> clientIds, int restricted) {
        public Extent {
            clientIds = List.copyOf(clientIds);
        }
    }

    Extent extent(long staffId) {
        Set<Long> closed = access.closedTo(staffId).stream()
                .filter(Access.Closed::restricted)
                .map(Access.Closed::clientId)
                .collect(Collectors.toSet());
        List<Long> open = clients.names().stream()
                .map(Clients.Name::id)
                .filter(id -> !closed.contains(id))
                .sorted()
                .toList();
        return new Extent(open, closed.size());
    }

    /**
     * The list of clients comes last: a folder without it was broken off.
     *
     * @param therapist whether findings that only a licensed clinician sees are in it
     * @throws Busy where another one runs; nothing was written then
     */
    void write(Collection<Long> clientIds, long staffId, boolean therapist, OutputStream out) throws Busy, IOException {
        if (!one.tryAcquire()) {
            throw new Busy();
        }
        try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            zip.setLevel(Deflater.BEST_SPEED);
            audit.record(staffId, null, "HOUSE_EXPORTED", clientIds.size() + " clients");
            List<List<Object>> listed = new ArrayList<>();
            List<Long> ids = List.copyOf(clientIds);
            for (int from = 0; from < ids.size(); from += AT_ONCE) {
                Map<Long, CaseFile> some = files.of(ids.subList(from, Math.min(ids.size(), from + AT_ONCE)), therapist);
                for (Map.Entry<Long, CaseFile> one : some.entrySet()) {
                    String path = "clients/" + one.getKey() + ".json";
                    put(zip, path, CaseFileWriter.written(one.getValue(), today.date()));
                    CaseFile.Her her = one.getValue().her();
                    listed.add(List.of(path, her.name(), her.facts().status().name()));
                }
                zip.flush();
            }
            put(
                    zip,
                    "clients.csv",
                    Csv.write(List.of("file", "name", "status"), listed).getBytes(StandardCharsets.UTF_8));
        } finally {
            one.release();
        }
    }

    private static void put(ZipOutputStream zip, String path, byte[] bytes) throws IOException {
        zip.putNextEntry(new ZipEntry(path));
        zip.write(bytes);
        zip.closeEntry();
    }
}
