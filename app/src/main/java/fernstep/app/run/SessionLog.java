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
import java.util.Set;
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

    SessionLog(SessionMapper mapper) {
        this.mapper = mapper;
    }

    /** The rows read so far and what they say; a row that cannot be read is passed over. */
    private record Read(Set<String> ids, List<SessionEvent> events) {
        static final Read NOTHING = new Read(Set.of(), List.of());

        Read and(List<StoredEvent> rows) {
            Set<String> all = new HashSet<>(ids);
            rows.forEach(r -> all.add(r.id()));
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

    Log of(String sessionId) {
        int count = mapper.eventCount(sessionId);
        Read kept = read.getIfPresent(sessionId);
        Read known = kept == null ? Read.NOTHING : kept;
        if (known.ids().size() != count) {
            known = furtherThan(known, sessionId, count);
            read.put(sessionId, known);
        }
        return new Log(known.events(), known.ids(), known.ids().size());
    }

    /** Written at once from two places, a row may have come in before the last one known: then all are read again. */
    private Read furtherThan(Read known, String sessionId, int count) {
        List<StoredEvent> more = mapper.eventsFrom(sessionId, known.ids().size());
        boolean follows = known.ids().size() + more.size() == count
                && more.stream().noneMatch(r -> known.ids().contains(r.id()));
        return follows ? known.and(more) : Read.NOTHING.and(mapper.eventsFrom(sessionId, 0));
    }

    Session replay(String sessionId, Catalogue catalogue) {
        return Session.replay(catalogue, planned(sessionId), of(sessionId).events());
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
