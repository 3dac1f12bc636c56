package fernstep.app.run;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import fernstep.app.progress.ResultRow;
import fernstep.app.progress.Results;
import fernstep.app.standing.Standings;
import fernstep.core.decision.Seen;
import fernstep.core.decision.Situation.EarlierSession;
import fernstep.core.findings.BodyPlace;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.session.EarlierSessions;
import fernstep.core.session.SessionEvent;
import fernstep.core.session.SessionEvent.SignSeen;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** What was seen beside the mat in earlier sessions, and what she told of those at home. */
@Component
class EarlierLog {
    private static final int TOLD_LOOKS_BACK_DAYS = 28;

    private static final int SESSIONS_KEPT = 300;
    private static final Duration KEPT_FOR = Duration.ofMinutes(2);

    private final SessionMapper sessions;
    private final Results results;
    private final Standings standings;
    /** What lies behind a session hardly changes while it runs. */
    private final Cache<String, EarlierSessions> read = Caffeine.newBuilder()
            .maximumSize(SESSIONS_KEPT)
            .expireAfterWrite(KEPT_FOR)
            .build();

    private record Rows(String sessionId, int count) {}

    private final Cache<Rows, List<SessionEvent>> parsed = Caffeine.newBuilder()
            .maximumSize(SESSIONS_KEPT)
            .expireAfterAccess(KEPT_FOR)
            .build();

    EarlierLog(SessionMapper sessions, Results results, Standings standings) {
        this.sessions = sessions;
        this.results = results;
        this.standings = standings;
    }

    EarlierSessions before(SessionRow session) {
        EarlierSessions known = read.getIfPresent(session.id());
        if (known == null) {
            // Not made under the cache's lock: who waits there may hold the connection that the maker needs.
            known = readBefore(session);
            read.put(session.id(), known);
        }
        return known;
    }

    /**
     * A place of pain.
     *
     * @param side null where it has none
     */
    record PainPlace(BodyPlace place, @Nullable Side side) {
        /** As the page puts it behind the name of an answer. */
        String name() {
            return "@" + place + ":" + (side == null ? "" : side);
        }

        Seen on(Seen seen) {
            return side == null ? seen : seen.on(side);
        }
    }

    /** Where she had pain in the sessions that still count. */
    Set<PainPlace> painPlaces(SessionRow session) {
        return before(session).atTheMat().stream()
                .flatMap(held -> held.signs().stream())
                .map(SignSeen::seen)
                .filter(seen -> seen.sign() == SignCode.PAIN && seen.place() != null)
                .map(seen -> new PainPlace(Objects.requireNonNull(seen.place()), seen.side()))
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private EarlierSessions readBefore(SessionRow session) {
        List<SessionRow> earlier = sessions.earlier(session.clientId(), session.id());
        Map<String, List<StoredEvent>> events = earlier.isEmpty()
                ? Map.of()
                : sessions.eventsOf(earlier.stream().map(SessionRow::id).toList()).stream()
                        .collect(Collectors.groupingBy(StoredEvent::sessionId));
        List<EarlierSessions.Held> atTheMat = new ArrayList<>();
        for (SessionRow held : earlier) {
            List<StoredEvent> rows = events.getOrDefault(held.id(), List.of());
            if (!rows.isEmpty()) {
                atTheMat.add(new EarlierSessions.Held(held.heldOn(), events(held.id(), rows)));
            }
        }
        return new EarlierSessions(
                atTheMat,
                told(session, events.keySet()),
                standings.of(session.clientId()).seenOn());
    }

    /** Rows are only ever added: as many of a session are the same ones. */
    private List<SessionEvent> events(String sessionId, List<StoredEvent> rows) {
        Rows asked = new Rows(sessionId, rows.size());
        List<SessionEvent> known = parsed.getIfPresent(asked);
        if (known == null) {
            known = StoredEvent.read(rows);
            parsed.put(asked, known);
        }
        return known;
    }

    private List<EarlierSession> told(SessionRow session, Set<String> watched) {
        return results.since(session.clientId(), session.heldOn().minusDays(TOLD_LOOKS_BACK_DAYS)).stream()
                .filter(row ->
                        !watched.contains(row.sessionId()) && !row.sessionId().equals(session.id()))
                .filter(row -> !row.signList().isEmpty())
                .collect(Collectors.groupingBy(ResultRow::sessionId))
                .values()
                .stream()
                .map(rows -> new EarlierSession(
                        rows.get(0).heldOn(),
                        rows.stream().flatMap(EarlierLog::signs).toList()))
                .toList();
    }

    private static Stream<Seen> signs(ResultRow row) {
        return row.signList().stream()
                .map(code -> new Seen(
                        code,
                        Seen.Severity.CLEAR,
                        row.sideOrNull(),
                        1,
                        null,
                        code == SignCode.PAIN ? row.painLevel() : null,
                        null,
                        false,
                        null));
    }
}
