package fernstep.core.decision;

import fernstep.core.approach.Stances;
import fernstep.core.catalogue.Lever;
import fernstep.core.findings.BodyPlace;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** The rules that answer a single sign, in the order of their strength. Each sign belongs to exactly one. */
final class SignRules {
    private static final int SET_CUES_PER_SET = 2;
    private static final int SOFT_EASES = 2;
    /** In so many of the last weeks before this one. */
    private static final int LEAKING_WEEKS = 3;
    /** Mild pain in one place in this session and so many before it. */
    private static final int MILD_PAIN_SESSIONS_BEFORE = 2;

    static final List<SignRule> TABLE = List.of(
            new SignRule(RuleId.R2, Set.of(SignCode.PAIN), SignRules::pain),
            new SignRule(RuleId.R3, Set.of(SignCode.BEARS_DOWN, SignCode.HEAVY, SignCode.LEAK), SignRules::floor),
            new SignRule(RuleId.R4, Set.of(SignCode.DOME_FIRM), SignRules::firmDome),
            new SignRule(RuleId.R5, Set.of(SignCode.DOME_SOFT), SignRules::softDome),
            new SignRule(
                    RuleId.R6,
                    Set.of(
                            SignCode.WALL_BULGE,
                            SignCode.BELLY_DROPS,
                            SignCode.RIBS_FLARE,
                            SignCode.BACK_ARCHES,
                            SignCode.BACK_PRESSED),
                    SignRules::controlSlips),
            new SignRule(RuleId.R7, Set.of(SignCode.BREATH_HELD), SignRules::breathHeld),
            new SignRule(RuleId.R8, Set.of(SignCode.PELVIS_ROCKS, SignCode.CONTACT_LOST), SignRules::turns),
            new SignRule(RuleId.R9, Set.of(SignCode.SET_LOST), SignRules::setLost),
            new SignRule(
                    RuleId.R10,
                    Set.of(SignCode.HIP_GRIP, SignCode.NECK_SHOULDERS, SignCode.RUSHED, SignCode.NO_LET_GO),
                    SignRules::habits),
            new SignRule(RuleId.R11, Set.of(SignCode.TIRED), SignRules::tired));

    private static final Map<SignCode, SignRule> BY_SIGN = bySign();

    private final Situation s;
    private final Levers levers;
    private final Answers answers;

    SignRules(Situation situation) {
        this.s = situation;
        this.levers = new Levers(situation);
        this.answers = new Answers(situation, levers);
    }

    private static Map<SignCode, SignRule> bySign() {
        Map<SignCode, SignRule> map = new EnumMap<>(SignCode.class);
        TABLE.forEach(rule -> rule.signs().forEach(sign -> {
            if (map.put(sign, rule) != null) {
                throw new IllegalStateException(sign + " stands in two rules");
            }
        }));
        return map;
    }

    static RuleId ruleOf(SignCode sign) {
        SignRule rule = BY_SIGN.get(sign);
        if (rule == null) {
            throw new IllegalStateException("no rule answers " + sign);
        }
        return rule.id();
    }

    /** Two eases for signs of too much load in one exercise, whichever they are; then a step back; then it ends. */
    private static final int EASES_IN_AN_EXERCISE = 2;

    private Candidate withinBudget(RuleId id, Seen sign, Candidate answer) {
        boolean mild = answer.move().eases() || answer.move() == Move.CUE || answer.move() == Move.END_SET;
        if (!LoadSigns.isOne(sign) || !(mild || answer.move() == Move.STEP_BACK)) {
            return answer;
        }
        Candidate within = stronger(id, sign, answer, mild);
        return answer.refers() ? within.referring() : within;
    }

    private Candidate stronger(RuleId id, Seen sign, Candidate answer, boolean mild) {
        if (s.loadSignsAnsweredBy(Move.STEP_BACK) > 0) {
            return Candidate.plain(id, Move.END_EXERCISE, sign, "budget.end", sign.sign());
        }
        int eased = s.loadSignsAnsweredBy(Move.EASE) + s.loadSignsAnsweredBy(Move.EASE_ONE_SIDE);
        if (mild && eased >= EASES_IN_AN_EXERCISE) {
            return answers.stepBack(id, sign, "budget.back");
        }
        return answer.move() == Move.CUE && eased > 0
                ? answers.ease(id, sign, "budget.ease", levers.byRelief(sign))
                : answer;
    }

    Candidate answer(Seen sign) {
        Optional<Reason> notASign = notASign(sign);
        if (notASign.isPresent()) {
            return new Candidate(RuleId.R12, Move.CARRY_ON, null, null, notASign.get(), sign, List.of(), false, false);
        }
        RuleId id = ruleOf(sign.sign());
        SignRule rule = Objects.requireNonNull(BY_SIGN.get(sign.sign()), "a sign without its rule");
        return withinBudget(id, sign, rule.response().answer(this, id, sign));
    }

    Candidate manyAtOnce(Candidate strongest, int signs) {
        return answers.manyAtOnce(strongest, signs);
    }

    /** What the stance aims for is not a sign. */
    Optional<Reason> notASign(Seen sign) {
        if (sign.sign() == SignCode.BACK_PRESSED && s.spine() != Stances.Spine.NATURAL_CURVE) {
            return Optional.of(Reason.of("R12.pressedIsAim"));
        }
        boolean gentlePush = sign.sign() == SignCode.WALL_BULGE && !sign.clearly();
        if (gentlePush && s.stances().activation() == Stances.Activation.BRACE_ALL_ROUND) {
            return Optional.of(Reason.of("R12.pushIsAim"));
        }
        boolean noPain =
                sign.sign() == SignCode.PAIN && !sign.sharp() && sign.painLevel() != null && sign.painLevel() == 0;
        return noPain ? Optional.of(Reason.of("R12.noPain")) : Optional.empty();
    }

    private Candidate pain(RuleId id, Seen sign) {
        boolean strong = sign.sharp() || sign.painLevel() == null || sign.painLevel() >= Seen.PAIN_STOPS_AT;
        if (strong) {
            return samePainBefore(sign)
                    ? Candidate.plain(id, Move.REFER_NOW, sign, "R2.refer").referring()
                    : Candidate.plain(id, Move.END_EXERCISE, sign, sign.sharp() ? "R2.sharp" : "R2.stop");
        }
        if (sessionsWithPainThere(sign) >= MILD_PAIN_SESSIONS_BEFORE) {
            return Candidate.plain(id, Move.END_EXERCISE, sign, "R2.askFirst")
                    .closingLoadedRungs()
                    .referring();
        }
        return s.timesEased(SignCode.PAIN) > 0
                ? answers.stepBack(id, sign, "R2.back")
                : answers.ease(id, sign, "R2.ease", List.of(Lever.RAISE_RANGE, Lever.BEND_KNEE));
    }

    private boolean samePainBefore(Seen sign) {
        return sessionsWithPainThere(sign) > 0;
    }

    /** Earlier sessions with pain there, of any strength. */
    private long sessionsWithPainThere(Seen sign) {
        return s.earlierSessions().stream()
                .filter(session -> session.signs().stream().anyMatch(before -> samePlace(before, sign)))
                .count();
    }

    /** The same code of the body chart, on the same side where it has sides; where nobody said, both unsaid. */
    private static boolean samePlace(Seen before, Seen now) {
        BodyPlace place = now.place();
        boolean sides = place == null || !place.sided() || before.side() == now.side();
        return before.sign() == SignCode.PAIN && before.place() == place && sides;
    }

    private Candidate floor(RuleId id, Seen sign) {
        boolean before = s.earlierSessionsWith(sign.sign()) > 0;
        return switch (sign.sign()) {
            case HEAVY ->
                before
                        ? Candidate.plain(id, Move.END_SESSION, sign, "R3.heavyAgain")
                                .closingLoadedRungs()
                                .referring()
                        : Candidate.plain(id, Move.END_EXERCISE, sign, "R3.heavy")
                                .closingLoadedRungs();
            case BEARS_DOWN ->
                before
                        ? Candidate.plain(id, Move.END_SESSION, sign, "R3.bearsDownAgain")
                                .closingLoadedRungs()
                                .referring()
                        : Candidate.plain(id, Move.END_EXERCISE, sign, "R3.bearsDown")
                                .closingLoadedRungs();
            default -> leak(id, sign, before);
        };
    }

    /** A leak is eased and, where it comes again, referred for without haste; in three of four weeks somebody looks first. */
    private Candidate leak(RuleId id, Seen sign, boolean before) {
        if (s.weeksWith(SignCode.LEAK) >= LEAKING_WEEKS) {
            return Candidate.plain(id, Move.END_EXERCISE, sign, "R3.leakAskFirst")
                    .closingLoadedRungs()
                    .referring();
        }
        Candidate easier = answers.ease(
                id, sign, before ? "R3.leakAgain" : "R3.leak", List.of(Lever.EASIER_POSITION, Lever.RAISE_RANGE));
        return before ? easier.referring() : easier;
    }

    private Candidate firmDome(RuleId id, Seen sign) {
        if (s.pregnant()) {
            return answers.stepBack(id, sign, "R4.pregnant");
        }
        return s.timesEased(SignCode.DOME_FIRM) > 0
                ? answers.stepBack(id, sign, "R4.back")
                : answers.ease(id, sign, "R4.ease", levers.byRelief(sign));
    }

    /** In pregnancy no ridge is tolerated, whatever the stance. */
    private boolean ridgeTolerated() {
        return s.stances().doming() == Stances.Doming.SOFT_TOLERATED && !s.pregnant();
    }

    private Candidate softDome(RuleId id, Seen sign) {
        if (ridgeTolerated()) {
            return SoftRidge.of(s, sign)
                    .map(why -> answers.ease(id, sign, why, List.of(Lever.SHORTEN_HOLD, Lever.RAISE_RANGE)))
                    .orElseGet(() -> Candidate.plain(
                                    id, Move.CARRY_ON, sign, "R5.tolerated", SoftRidge.LIMIT_S, SoftRidge.REPS)
                            .withOptions(levers.offered(sign, List.of(Lever.SHORTEN_HOLD, Lever.RAISE_RANGE))));
        }
        if (s.timesEased(SignCode.DOME_SOFT) >= SOFT_EASES) {
            return answers.stepBack(id, sign, "R5.back");
        }
        List<Lever> order = new ArrayList<>();
        s.soFar().stream()
                .filter(repRecord ->
                        repRecord.move() == Move.EASE && repRecord.has(SignCode.DOME_SOFT) && repRecord.lever() != null)
                .forEach(repRecord -> order.add(repRecord.lever()));
        order.addAll(levers.byRelief(sign));
        boolean again = s.timesEased(SignCode.DOME_SOFT) > 0;
        String usual = again ? "R5.easeAgain" : "R5.ease";
        return answers.ease(id, sign, s.pregnant() ? "R5.pregnant" : usual, order);
    }

    private Candidate controlSlips(RuleId id, Seen sign) {
        if (s.timesEased(sign.sign()) > 0) {
            return answers.stepBack(id, sign, id + ".back");
        }
        boolean firstAndSlight = !sign.clearly() && s.timesMoved(sign.sign(), Move.CUE) == 0;
        List<Lever> order =
                switch (sign.sign()) {
                    case RIBS_FLARE -> List.of(Lever.SUPPORT, Lever.RAISE_RANGE, Lever.BEND_KNEE);
                    default -> List.of(Lever.RAISE_RANGE, Lever.BEND_KNEE);
                };
        if (firstAndSlight) {
            return answers.cue(id, sign, id + ".cue", order);
        }
        Candidate easier = answers.ease(id, sign, id + ".ease", order);
        return sign.sign() == SignCode.BACK_ARCHES
                ? levers.backToMat(sign).map(easier::together).orElse(easier)
                : easier;
    }

    private Candidate breathHeld(RuleId id, Seen sign) {
        boolean again = s.seenBefore(SignCode.BREATH_HELD);
        List<Lever> chain =
                switch (s.timesEased(SignCode.BREATH_HELD)) {
                    case 0 -> List.of(Lever.CHANGE_BREATH, Lever.SHORTEN_HOLD);
                    case 1 -> List.of(Lever.SHORTEN_HOLD, Lever.CHANGE_BREATH);
                    default -> List.of();
                };
        String twoSessions = s.earlierSessionsWith(SignCode.BREATH_HELD) > 0 ? "R7.cueBreathFirst" : "R7.cue";
        if (!again) {
            return answers.cue(id, sign, twoSessions, List.of(Lever.CHANGE_BREATH, Lever.SHORTEN_HOLD));
        }
        return levers.first(sign, ledByHistory(sign, chain))
                .map(change -> Answers.easeWith(
                        id,
                        Move.EASE,
                        sign,
                        change.lever() == Lever.CHANGE_BREATH ? "R7.breath" : "R7.hold",
                        List.of(change)))
                .orElseGet(() -> answers.stepBack(id, sign, "R7.back"));
    }

    private List<Lever> ledByHistory(Seen sign, List<Lever> chain) {
        List<Lever> order = new ArrayList<>();
        if (!chain.isEmpty()) {
            s.history().stream()
                    .filter(lever -> lever.sign() == sign.sign() && lever.cleared() && !s.leverUsed(lever.lever()))
                    .forEach(lever -> order.add(lever.lever()));
        }
        order.addAll(chain);
        return order;
    }

    /** One side only: that side goes easier, by range, else by hold, else with a helper; again, a rung back on that side. */
    private Candidate turns(RuleId id, Seen sign) {
        if (s.onBothSides(sign.sign())) {
            return controlSlips(id, sign);
        }
        List<LeverChange> options = Stream.concat(
                        levers.first(sign, List.of(Lever.RAISE_RANGE)).stream(), levers.holdOrHelper(sign).stream())
                .toList();
        boolean first = s.timesEased(sign.sign()) == 0;
        if (first && !options.isEmpty()) {
            return answers.oneSide(id, sign, options);
        }
        return answers.oneSideBack(id, sign)
                .orElseGet(() -> options.isEmpty()
                        ? Candidate.plain(id, Move.END_EXERCISE, sign, "noRungBack")
                        : answers.oneSide(id, sign, options));
    }

    private Candidate setLost(RuleId id, Seen sign) {
        boolean canReset =
                Boolean.TRUE.equals(sign.recoverable()) && s.timesMoved(SignCode.SET_LOST, Move.CUE) < SET_CUES_PER_SET;
        return canReset
                ? answers.cue(id, sign, "R9.cue", List.of(Lever.ADD_HELPER, Lever.RAISE_RANGE))
                : answers.stepBack(id, sign, Boolean.TRUE.equals(sign.recoverable()) ? "R9.backThird" : "R9.back");
    }

    private Candidate habits(RuleId id, Seen sign) {
        List<Lever> order = List.of(Lever.SLOWER, Lever.SUPPORT, Lever.FEWER_REPS);
        return s.seenBefore(sign.sign())
                ? answers.ease(id, sign, "R10.ease", order)
                : answers.cue(id, sign, "R10.cue", order);
    }

    private Candidate tired(RuleId id, Seen sign) {
        return sign.clearly()
                ? Candidate.plain(id, Move.END_SET, sign, "R11.end")
                : Candidate.plain(id, Move.CARRY_ON, sign, "R11.wanted");
    }
}
