package fernstep.core.session;

import fernstep.core.catalogue.Lever;
import fernstep.core.decision.LeverChange;
import fernstep.core.decision.Seen;
import fernstep.core.decision.Situation.EarlierSession;
import fernstep.core.decision.Situation.PastLever;
import fernstep.core.findings.SignCode;
import fernstep.core.session.SessionEvent.Overridden;
import fernstep.core.session.SessionEvent.SignSeen;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What earlier sessions teach this one.
 *
 * @param atTheMat their events, oldest session first
 * @param atHome what she told of sessions nobody watched
 * @param seenOn when somebody last saw or spoke with her about what was reported: what came before it is told, and counts
 *     no longer; null for never
 */
public record EarlierSessions(
        List<Held> atTheMat,
        List<EarlierSession> atHome,
        @Nullable LocalDate seenOn) {
    public static final EarlierSessions NONE = new EarlierSessions(List.of(), List.of());

    /** Nobody has looked at any of it. */
    public EarlierSessions(List<Held> atTheMat, List<EarlierSession> atHome) {
        this(atTheMat, atHome, null);
    }

    /**
     * One earlier session and what happened in it.
     *
     * @param events without what was taken back: given or not, it is left out
     */
    public record Held(LocalDate date, List<SessionEvent> events) {
        public Held {
            // once, not each time a rung of hers is looked at
            events = Session.standing(events);
        }

        /** The signs seen in it, in order. */
        public List<SignSeen> signs() {
            return events.stream()
                    .filter(SignSeen.class::isInstance)
                    .map(SignSeen.class::cast)
                    .toList();
        }

        private Set<String> overridden() {
            return events.stream()
                    .filter(Overridden.class::isInstance)
                    .map(event -> ((Overridden) event).signId())
                    .collect(Collectors.toSet());
        }
    }

    public EarlierSessions {
        atTheMat = List.copyOf(atTheMat);
        atHome = List.copyOf(atHome);
    }

    /** So long an earlier session counts against what is seen today. */
    private static final int COUNTS_DAYS = 28;

    /** Signs by session of the last four weeks, oldest first; what is older is told, and counts no longer. */
    List<EarlierSession> sessions(LocalDate today) {
        Stream<EarlierSession> seen = atTheMat.stream()
                .map(held -> new EarlierSession(
                        held.date(), held.signs().stream().map(SignSeen::seen).toList()))
                .filter(session -> !session.signs().isEmpty());
        return Stream.concat(seen, atHome.stream())
                .filter(session -> !session.date().isBefore(today.minusDays(COUNTS_DAYS)))
                .filter(session -> seenOn == null || !session.date().isBefore(seenOn))
                .sorted(Comparator.comparing(EarlierSession::date))
                .toList();
    }

    /** Signs seen on a rung in earlier sessions, the most frequent first. */
    public List<SignCode> signsOn(String rung) {
        Map<SignCode, Long> counts = atTheMat.stream()
                .flatMap(held -> held.signs().stream())
                .filter(seen -> rung.equals(seen.place().rung()))
                .collect(Collectors.groupingBy(seen -> seen.seen().sign(), Collectors.counting()));
        return counts.entrySet().stream()
                .sorted(Map.Entry.<SignCode, Long>comparingByValue()
                        .reversed()
                        .thenComparing(Map.Entry.comparingByKey()))
                .map(Map.Entry::getKey)
                .toList();
    }

    /** Levers tried on a rung: they cleared the sign when it did not come back in that set. */
    List<PastLever> levers(String rung) {
        List<PastLever> levers = new ArrayList<>();
        for (Held session : atTheMat) {
            Set<String> overridden = session.overridden();
            List<SignSeen> signs = session.signs().stream()
                    .filter(seen -> rung.equals(seen.place().rung()))
                    .toList();
            for (int i = 0; i < signs.size(); i++) {
                SignSeen tried = signs.get(i);
                LeverChange change = tried.advice().change();
                if (change != null && !overridden.contains(tried.id())) {
                    boolean again = signs.subList(i + 1, signs.size()).stream().anyMatch(seen -> same(seen, tried));
                    levers.add(past(tried.seen(), change.lever(), again));
                }
            }
        }
        return levers;
    }

    private static PastLever past(Seen seen, Lever lever, boolean again) {
        SignCode sign = seen.sign();
        return new PastLever(sign, lever, !again);
    }

    private static boolean same(SignSeen one, SignSeen other) {
        return one.seen().sign() == other.seen().sign()
                && one.place().set() == other.place().set();
    }
}
