package fernstep.app.client;

import fernstep.app.support.NotFound;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads and keeps client files. */
@Service
public class Clients {
    private final ClientMapper mapper;

    public Clients(ClientMapper mapper) {
        this.mapper = mapper;
    }

    public ClientFile file(long id) {
        ClientRow row = mapper.byId(id).orElseThrow(() -> new NotFound("no client " + id));
        return new ClientFile(row, mapper.events(id), mapper.clearances(id));
    }

    /** Three queries however many clients there are. */
    public List<ClientFile> all() {
        Map<Long, List<EventRow>> events =
                mapper.allEvents().stream().collect(Collectors.groupingBy(EventRow::clientId));
        Map<Long, List<ClearanceRow>> clearances =
                mapper.allClearances().stream().collect(Collectors.groupingBy(ClearanceRow::clientId));
        return mapper.all().stream()
                .map(row -> new ClientFile(
                        row, events.getOrDefault(row.id(), List.of()), clearances.getOrDefault(row.id(), List.of())))
                .toList();
    }

    /** @return the id, the same one if this form was already sent */
    @Transactional
    public long create(ClientRow row, List<EventRow> events) {
        mapper.insert(row);
        long id = mapper.byFormId(row.formId()).map(ClientRow::id).orElseThrow();
        events.forEach(e ->
                mapper.putEvent(new EventRow(id, e.kind(), e.happenedOn(), e.birthMode(), e.tearDegree(), e.what())));
        return id;
    }

    @Transactional
    public void update(ClientRow row, List<EventRow> events) {
        mapper.update(row);
        events.forEach(mapper::putEvent);
    }

    public void clear(ClearanceRow clearance) {
        mapper.putClearance(clearance);
    }
}
