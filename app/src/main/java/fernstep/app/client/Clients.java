package fernstep.app.client;

import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.app.support.RecordLog;
import fernstep.app.support.Today;
import fernstep.core.approach.Approach;
import fernstep.core.approach.StanceChange;
import fernstep.core.approach.Stances;
import fernstep.core.client.Clearance;
import fernstep.core.client.Restriction;
import fernstep.core.measure.Range;
import fernstep.core.plan.Goal;
import fernstep.core.progress.Progress;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads and keeps client files. */
@Service
public class Clients {
    private final ClientMapper mapper;
    private final Audit audit;
    private final RecordLog log;
    private final Today today;

    private final ApplicationEventPublisher events;

    public Clients(ClientMapper mapper, Audit audit, RecordLog log, Today today, ApplicationEventPublisher events) {
        this.events = events;
        this.log = log;
        this.mapper = mapper;
        this.audit = audit;
        this.today = today;
    }

    public ClientFile file(long id) {
        ClientRow row = mapper.byId(id).orElseThrow(() -> new NotFound("no client " + id));
        return new ClientFile(row, mapper.events(id), mapper.clearances(id), mapper.settings(id), today.date());
    }

    /** Of some clients, by name; who is gone is left out. */
    public List<ClientFile> files(Collection<Long> ids) {
        return ids.isEmpty() ? List.of() : filesOf(ids);
    }

    /** How a client is called. */
    public record Name(long id, String name) {}

    public List<Name> names() {
        return mapper.names();
    }

    public List<ClientFile> all() {
        return filesOf(null);
    }

    /** Four queries however many clients there are. */
    private List<ClientFile> filesOf(@Nullable Collection<Long> ids) {
        Map<Long, List<EventRow>> events =
                mapper.eventsOf(ids).stream().collect(Collectors.groupingBy(EventRow::clientId));
        Map<Long, List<ClearanceRow>> clearances =
                mapper.clearancesOf(ids).stream().collect(Collectors.groupingBy(ClearanceRow::clientId));
        Map<Long, ClientSettings> settings = mapper.settingsOf(ids).stream()
                .collect(Collectors.toMap(ClientMapper.SettingsOf::clientId, ClientMapper.SettingsOf::settings));
        return mapper.rows(ids).stream()
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
        events.forEach(eventRow -> mapper.putEvent(new EventRow(
                id,
                eventRow.kind(),
                eventRow.happenedOn(),
                eventRow.birthMode(),
                eventRow.tearDegree(),
                eventRow.what())));
        return id;
    }

    /** How often she was changed: a form that was opened at an earlier count changes nothing. */
    public int version(long id) {
        return mapper.version(id);
    }

    /**
     * Changes her facts and keeps what they were. The form asks for the latest birth and operation: another day there puts
     * the latest one right; a further one is added with {@link #addEvent}.
     *
     * @param version what {@link #version} was when the form was opened
     * @return false where somebody changed her meanwhile; nothing is changed then
     */
    @Transactional
    public boolean update(ClientRow row, List<EventRow> events, int version, long staffId) {
        long id = Objects.requireNonNull(row.id());
        ClientFile before = file(id);
        if (mapper.update(row, version) == 0) {
            return false;
        }
        for (EventRow event : events) {
            before.events().stream()
                    .filter(eventRow -> eventRow.kind() == event.kind())
                    .max(Comparator.comparing(EventRow::happenedOn))
                    .filter(latest -> !latest.happenedOn().equals(event.happenedOn()))
                    .ifPresent(latest -> mapper.removeEvent(id, latest.kind(), latest.happenedOn()));
            mapper.putEvent(event);
        }
        keepWhatWas(before, staffId);
        return true;
    }

    private void keepWhatWas(ClientFile before, long staffId) {
        Map<String, String> was = Facts.of(before);
        Map<String, String> is = Facts.of(file(before.id()));
        Set<String> names = new TreeSet<>(was.keySet());
        names.addAll(is.keySet());
        names.forEach(name -> changed(before.id(), "fact:" + name, was.get(name), is.get(name), "", staffId));
    }

    private void changed(
            long id, String part, @Nullable String before, @Nullable String after, String reason, long staffId) {
        log.changed(new RecordLog.Change(id, null, part, before, after, reason, staffId));
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

    /** What was wished before is kept. */
    @Transactional
    public void trainBy(
            long id,
            Progress.GrowFirst growFirst,
            Set<DayOfWeek> blocked,
            @Nullable Goal goal,
            @Nullable LocalDate goalDate,
            long staffId) {
        ClientFile before = file(id);
        String days = blocked.stream().sorted().map(Enum::name).collect(Collectors.joining(","));
        mapper.putWishes(id, growFirst, days, goal, goalDate);
        keepWhatWas(before, staffId);
    }

    /**
     * Exercises in a session, at most.
     *
     * @throws fernstep.core.measure.OutOfRange outside 2 to 10
     */
    @Transactional
    public void size(long id, int exercisesAtMost, long staffId) {
        ClientFile before = file(id);
        mapper.putSize(id, Range.SIZE.check(exercisesAtMost));
        keepWhatWas(before, staffId);
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

    @Transactional
    public void addEvent(EventRow event, long staffId) {
        mapper.putEvent(event);
        changed(event.clientId(), "event:" + event.kind(), null, Facts.written(event), "", staffId);
    }

    /** Strikes out a birth or operation that was wrongly entered; what it said is kept with the reason. */
    @Transactional
    public void strikeEvent(long id, EventRow.Kind kind, LocalDate happenedOn, String reason, long staffId) {
        file(id).events().stream()
                .filter(row -> row.kind() == kind && row.happenedOn().equals(happenedOn))
                .findFirst()
                .ifPresent(row -> {
                    mapper.removeEvent(id, kind, happenedOn);
                    changed(id, "event:" + kind, Facts.written(row), null, reason, staffId);
                    audit.record(staffId, id, "EVENT_STRUCK", kind + " " + happenedOn + ": " + reason);
                });
    }

    @Transactional
    public void clear(ClearanceRow clearance) {
        mapper.putClearance(clearance);
        changed(
                clearance.clientId(),
                "clearance:" + clearance.scope(),
                null,
                Facts.written(clearance),
                "",
                clearance.recordedBy());
        events.publishEvent(new ClearanceGiven(
                clearance.clientId(), clearance.scope(), clearance.givenOn(), clearance.recordedBy()));
    }

    /** Strikes out a clearance that was wrongly entered; what it said is kept with the reason. */
    @Transactional
    public void strikeClearance(
            long id, Clearance.Scope scope, LocalDate givenOn, String byRole, String reason, long staffId) {
        file(id).clearances().stream()
                .filter(row -> row.scope() == scope
                        && row.givenOn().equals(givenOn)
                        && row.byRole().equals(byRole))
                .findFirst()
                .ifPresent(row -> {
                    mapper.removeClearance(row);
                    changed(id, "clearance:" + scope, Facts.written(row), null, reason, staffId);
                    audit.record(staffId, id, "CLEARANCE_STRUCK", scope + " " + givenOn + ": " + reason);
                });
    }

    /** The day agreed with her; null takes it back. */
    @Transactional
    public void agreeNextVisit(long id, @Nullable LocalDate day, long staffId) {
        LocalDate before = mapper.nextVisit(id);
        mapper.putNextVisit(id, day);
        changed(id, "fact:nextVisit", text(before), text(day), "", staffId);
    }

    private static @Nullable String text(@Nullable LocalDate day) {
        return day == null ? null : day.toString();
    }

    public Optional<LocalDate> nextVisit(long id) {
        return Optional.ofNullable(mapper.nextVisit(id));
    }

    public boolean archived(long id) {
        return mapper.archived(id);
    }

    @Transactional
    public void archive(long id, boolean archived, long staffId) {
        mapper.archive(id, archived);
        audit.record(staffId, id, archived ? "CLIENT_ARCHIVED" : "CLIENT_BROUGHT_BACK", "");
    }

    /** Everything about her goes; that it was erased, when and by whom, stays. */
    @Transactional
    public void erase(long id, long staffId) {
        events.publishEvent(new ClientErased(id, file(id).name()));
        mapper.erase(id);
        audit.forget(id);
        audit.record(staffId, id, "CLIENT_ERASED", "");
    }
}
