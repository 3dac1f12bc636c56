package fernstep.app.run;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.session.PlannedExercise;
import fernstep.core.session.Session;
import fernstep.core.session.SessionEvent;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * The log of a session, read once: events are never changed or removed, so only what was added since has to be read. The
 * database is asked each time how many there are, so that another instance's are seen at once.
 */
@Component
class SessionLog {
    private static final int SESSIONS_KEPT = 300;
    private static final Duration KEPT_FOR = Duration.ofMinutes(15);

    private final SessionMapper mapper;
    private final Cache<String, Read> read = Caffeine.newBuilder()
            .maximumSize(SESSIONS_KEPT)
            .expireAfterAccess(KEPT_FOR)
            .build();
    private final Cache<String, List<PlannedExercise>> planned = Caffeine.newBuilder()
            .maximumSize(SESSIONS_KEPT)
            .expireAfterAccess(KEPT_FOR)
            .build();

    private final Cache<String, StoredEvent> written = Caffeine.newBuilder()
            .maximumSize(SESSIONS_KEPT)
            .expireAfterWrite(KEPT_FOR)
            .build();

    SessionLog(SessionMapper mapper) {
        this.mapper = mapper;
    }

    /** The rows read so far and what they say; a row that cannot be read is passed over. */
    private record Read(Set<String> ids, List<SessionEvent> events) {
        static final Read NOTHING = new Read(Set.of(), List.of());

        Read and(List<StoredEvent> rows) {
            Set<String> all = new HashSet<>(ids);
            rows.forEach(event -> all.add(event.id()));
            List<SessionEvent> more = new ArrayList<>(events);
            more.addAll(StoredEvent.read(rows));
            return new Read(all, List.copyOf(more));
        }
    }

    /**
     * What happened, in the order in which it was written.
     *
     * @param ids of those that were read
     * @param rows how many events there are, those that cannot be read included
     */
    record Log(List<SessionEvent> events, Set<String> ids, int rows) {
        boolean knows(String id) {
            return ids.contains(id);
        }
    }

    /**
     * A session and how far its events go.
     *
     * @param lastEvent id of the one written last; null for none
     */
    record Stand(SessionRow row, int events, @Nullable String lastEvent) {}

    /** What this instance has just written need not be read back, where it is the very next. */
    void wrote(StoredEvent event) {
        written.put(event.sessionId(), event);
    }

    Optional<Stand> stand(String sessionId) {
        return mapper.counted(sessionId)
                .map(counted -> new Stand(
                        new SessionRow(
                                counted.id(),
                                counted.clientId(),
                                counted.heldOn(),
                                counted.staffId(),
                                counted.finishedAt()),
                        counted.events(),
                        counted.lastEvent()));
    }

    Log of(Stand stand) {
        String sessionId = stand.row().id();
        int count = stand.events();
        Read kept = read.getIfPresent(sessionId);
        Read known = kept == null ? Read.NOTHING : kept;
        if (known.ids().size() != count) {
            StoredEvent mine = written.getIfPresent(sessionId);
            boolean next =
                    mine != null && known.ids().size() + 1 == count && mine.id().equals(stand.lastEvent());
            known = next ? known.and(List.of(mine)) : furtherThan(known, sessionId, count);
            read.put(sessionId, known);
        }
        return new Log(known.events(), known.ids(), known.ids().size());
    }

    /** Written at once from two places, a row may have come in before the last one known: then all are read again. */
    private Read furtherThan(Read known, String sessionId, int count) {
        List<StoredEvent> more = mapper.eventsFrom(sessionId, known.ids().size());
        boolean follows = known.ids().size() + more.size() == count
                && more.stream().noneMatch(event -> known.ids().contains(event.id()));
        return follows ? known.and(more) : Read.NOTHING.and(mapper.eventsFrom(sessionId, 0));
    }

    Session replay(String sessionId, Catalogue catalogue) {
        List<SessionEvent> events =
                stand(sessionId).map(stand -> of(stand).events()).orElse(List.of());
        return Session.replay(catalogue, planned(sessionId), events);
    }

    /** What was planned is never changed once the session has begun. */
    List<PlannedExercise> planned(String sessionId) {
        List<PlannedExercise> kept = planned.getIfPresent(sessionId);
        if (kept == null) {
            kept = mapper.items(sessionId).stream().map(ItemRow::planned).toList();
            if (!kept.isEmpty()) {
                planned.put(sessionId, kept);
            }
        }
        return kept;
    }
}
