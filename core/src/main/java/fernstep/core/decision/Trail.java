package fernstep.core.decision;

import fernstep.core.decision.Considered.Outcome;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** What became of each rule. */
final class Trail {
    private final Situation s;
    private final List<Candidate> candidates;
    private final Candidate chosen;

    Trail(Situation situation, List<Candidate> candidates, Candidate chosen) {
        this.s = situation;
        this.candidates = candidates;
        this.chosen = chosen;
    }

    List<Considered> rules() {
        return Arrays.stream(RuleId.values()).map(this::rule).toList();
    }

    private Considered rule(RuleId id) {
        List<Candidate> own =
                candidates.stream().filter(candidate -> candidate.rule() == id).toList();
        if (own.isEmpty()) {
            return new Considered(id, Outcome.DID_NOT_APPLY, null, whyNot(id));
        }
        if (chosen.rule() == id) {
            return new Considered(id, Outcome.CHOSEN, chosen.move(), chosen.reason());
        }
        Candidate best = Decisions.strongest(own);
        Reason weaker = best.move() == chosen.move()
                ? Reason.of("trail.sameMove", chosen.rule().name())
                : Reason.of("trail.weaker", chosen.rule().name(), chosen.move());
        return new Considered(id, Outcome.OUTRANKED, best.move(), weaker);
    }

    private Reason whyNot(RuleId id) {
        return switch (id) {
            case R1 -> Reason.of("trail.noEmergency");
            case R12 -> Reason.of("trail.somethingSeen");
            case R13 -> Reason.of("trail.notSeveral");
            default -> notSeen(signsOf(id));
        };
    }

    private Reason notSeen(Set<SignCode> signs) {
        boolean seenButNoSign = s.seen().stream().anyMatch(seen -> signs.contains(seen.sign()));
        return seenButNoSign
                ? Reason.of("trail.noSignHere")
                : Reason.of(
                        "trail.notSeen",
                        Reason.list(signs.stream()
                                .sorted()
                                .map(code -> Reason.of("trail.sign", code))
                                .toList()));
    }

    private static Set<SignCode> signsOf(RuleId id) {
        return SignRules.TABLE.stream()
                .filter(rule -> rule.id() == id)
                .flatMap(rule -> rule.signs().stream())
                .collect(Collectors.toSet());
    }
}
