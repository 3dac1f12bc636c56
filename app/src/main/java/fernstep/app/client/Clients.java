package fernstep.app.client;

import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.core.client.Restriction;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads and keeps client files. */
@Service
public class Clients {
    private final ClientMapper mapper;
    private final Audit audit;

    public Clients(ClientMapper mapper, Audit audit) {
        this.mapper = mapper;
        this.audit = audit;
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

    public List<LiftRow> lifts(long id) {
        return mapper.lifts(id);
    }

    public Set<Restriction> lifted(long id) {
        return mapper.lifts(id).stream().map(LiftRow::code).collect(Collectors.toSet());
    }

    @Transactional
    public void lift(LiftRow lift) {
        mapper.putLift(lift);
        audit.record(lift.staffId(), lift.clientId(), "RESTRICTION_LIFTED", lift.code() + ": " + lift.reason());
    }

    @Transactional
    public void restore(long id, Restriction code, long staffId) {
        mapper.removeLift(id, code);
        audit.record(staffId, id, "RESTRICTION_RESTORED", code.name());
    }

    public void addEvent(EventRow event) {
        mapper.putEvent(event);
    }

    public void clear(ClearanceRow clearance) {
        mapper.putClearance(clearance);
    }
}
