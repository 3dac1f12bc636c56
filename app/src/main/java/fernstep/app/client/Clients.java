package fernstep.app.client;

import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.app.support.Today;
import fernstep.core.approach.Approach;
import fernstep.core.approach.StanceChange;
import fernstep.core.approach.Stances;
import fernstep.core.client.Restriction;
import fernstep.core.measure.Range;
import fernstep.core.plan.Goal;
import fernstep.core.progress.Progress;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads and keeps client files. */
@Service
public class Clients {
    private final ClientMapper mapper;
    private final Audit audit;
    private final Today today;

    public Clients(ClientMapper mapper, Audit audit, Today today) {
        this.mapper = mapper;
        this.audit = audit;
        this.today = today;
    }

    public ClientFile file(long id) {
        ClientRow row = mapper.byId(id).orElseThrow(() -> new NotFound("no client " + id));
        return new ClientFile(row, mapper.events(id), mapper.clearances(id), mapper.settings(id), today.date());
    }

    /** Of some clients; who is gone is left out. */
    public List<ClientFile> files(Collection<Long> ids) {
        return ids.stream()
                .flatMap(id -> mapper.byId(id).stream())
                .map(row -> file(Objects.requireNonNull(row.id())))
                .toList();
    }

    /** Four queries however many clients there are. */
    public List<ClientFile> all() {
        Map<Long, List<EventRow>> events =
                mapper.allEvents().stream().collect(Collectors.groupingBy(EventRow::clientId));
        Map<Long, List<ClearanceRow>> clearances =
                mapper.allClearances().stream().collect(Collectors.groupingBy(ClearanceRow::clientId));
        Map<Long, ClientSettings> settings = mapper.allSettings().stream()
                .collect(Collectors.toMap(ClientMapper.SettingsOf::clientId, ClientMapper.SettingsOf::settings));
        return mapper.all().stream()
                .map(row -> new ClientFile(
                        row,
                        events.getOrDefault(row.id(), List.of()),
                        clearances.getOrDefault(row.id(), List.of()),
                        settings.getOrDefault(row.id(), ClientSettings.NONE),
                        today.date()))
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

    /** Another approach: hers alone go, so that what is chosen is what is meant. */
    @Transactional
    public void choose(long id, Approach approach, @Nullable Long houseApproachId, long staffId) {
        ClientFile before = file(id);
        mapper.putApproach(id, approach, houseApproachId, "");
        audit.record(staffId, id, "APPROACH_CHANGED", before.row().approach() + " → " + approach);
    }

    /**
     * One stance changed on the spot, for her alone.
     *
     * @throws IllegalArgumentException for an option the stance does not have
     */
    @Transactional
    public void change(long id, StanceChange change, String option, long staffId) {
        ClientFile file = file(id);
        Stances now = file.stances();
        Stances then = change.in(now, option);
        if (!then.equals(now)) {
            Approach approach = file.row().approach();
            mapper.putApproach(
                    id,
                    approach,
                    file.settings().houseApproachId(),
                    ClientSettings.written(file.settings().ofApproach(approach), then));
            audit.record(staffId, id, "STANCE_CHANGED", change + ": " + change.of(now) + " → " + option);
        }
    }

    public void trainBy(
            long id,
            Progress.GrowFirst growFirst,
            Set<DayOfWeek> blocked,
            @Nullable Goal goal,
            @Nullable LocalDate goalDate) {
        String days = blocked.stream().sorted().map(Enum::name).collect(Collectors.joining(","));
        mapper.putWishes(id, growFirst, days, goal, goalDate);
    }

    /**
     * Exercises in a session, at most.
     *
     * @throws fernstep.core.measure.OutOfRange outside 2 to 10
     */
    public void size(long id, int exercisesAtMost) {
        mapper.putSize(id, Range.SIZE.check(exercisesAtMost));
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
