package fernstep.app.run;

import fernstep.core.catalogue.Lever;
import fernstep.core.decision.Move;
import fernstep.core.decision.Seen;
import fernstep.core.decision.Situation;
import fernstep.core.findings.SignCode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** A sign, override or undo of an earlier session. */
record PastSign(
        String sessionId,
        LocalDate heldOn,
        EventRow.Kind kind,
        String eventId,
        @Nullable String rung,
        int setNo,
        int repNo,
        @Nullable String sign,
        @Nullable Lever lever,
        @Nullable Move move,
        @Nullable String refersTo,
        @Nullable Integer painLevel) {

    /** Levers tried on this rung: cleared when the same sign did not come back in that set. */
    static List<Situation.PastLever> levers(List<PastSign> past, String rung) {
        List<PastSign> signs =
                standing(past).stream().filter(p -> rung.equals(p.rung())).toList();
        List<Situation.PastLever> levers = new ArrayList<>();
        for (int i = 0; i < signs.size(); i++) {
            PastSign p = signs.get(i);
            if (p.lever() != null && p.code() != null) {
                boolean again = signs.subList(i + 1, signs.size()).stream().anyMatch(p::sameSignAndSet);
                levers.add(new Situation.PastLever(p.code(), p.lever(), !again));
            }
        }
        return levers;
    }

    static List<Situation.EarlierSession> sessions(List<PastSign> past) {
        Map<String, List<Seen>> signs = new LinkedHashMap<>();
        Map<String, LocalDate> days = new LinkedHashMap<>();
        for (PastSign p : standing(past)) {
            SignCode code = p.code();
            if (code != null) {
                days.put(p.sessionId(), p.heldOn());
                signs.computeIfAbsent(p.sessionId(), k -> new ArrayList<>())
                        .add(new Seen(
                                code, Seen.Severity.CLEAR, null, p.repNo(), null, p.painLevel(), null, false, null));
            }
        }
        List<Situation.EarlierSession> sessions = new ArrayList<>();
        signs.forEach(
                (id, seen) -> sessions.add(new Situation.EarlierSession(Objects.requireNonNull(days.get(id)), seen)));
        return sessions;
    }

    /** Signs that were not undone, without the advice of those that were overridden. */
    private static List<PastSign> standing(List<PastSign> past) {
        Set<String> undone = new HashSet<>();
        Set<String> overridden = new HashSet<>();
        past.forEach(p -> {
            if (p.kind() == EventRow.Kind.UNDO) {
                undone.add(p.refersTo());
            } else if (p.kind() == EventRow.Kind.OVERRIDE) {
                overridden.add(p.refersTo());
            }
        });
        return past.stream()
                .filter(p -> p.kind() == EventRow.Kind.SIGN && !undone.contains(p.eventId()))
                .map(p -> overridden.contains(p.eventId()) ? p.withoutAdvice() : p)
                .toList();
    }

    private PastSign withoutAdvice() {
        return new PastSign(
                sessionId, heldOn, kind, eventId, rung, setNo, repNo, sign, null, null, refersTo, painLevel);
    }

    private boolean sameSignAndSet(PastSign other) {
        return sessionId.equals(other.sessionId) && setNo == other.setNo && Objects.equals(sign, other.sign);
    }

    /** Null for an emergency answer. */
    private @Nullable SignCode code() {
        return Arrays.stream(SignCode.values())
                .filter(c -> c.name().equals(sign))
                .findFirst()
                .orElse(null);
    }
}
