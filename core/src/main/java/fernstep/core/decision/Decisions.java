package fernstep.core.decision;

import fernstep.core.catalogue.Rung;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Reason;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** From what is seen to the next safe move: every rule answers, the strongest move wins, then the lower rule. */
public final class Decisions {
    private static final int SIGNS_FOR_R13 = 2;

    private Decisions() {}

    /** So many exercises ended for signs of too much load end the loaded part of a session. */
    private static final int ENDED_FOR_LOAD = 3;

    public static Advice next(Situation situation) {
        List<Candidate> candidates = candidates(situation);
        return advice(situation, safest(situation, candidates), candidates);
    }

    /** The strongest, but that getting up is coached and never ended, and that the third exercise ended ends all loaded. */
    private static Candidate safest(Situation situation, List<Candidate> candidates) {
        Candidate best = strongest(candidates);
        boolean habit =
                situation.rung().strand() == Strand.UPRIGHT && situation.rung().fromDayOne();
        boolean goesOn = best.move().compareTo(Move.EASE) >= 0 && best.move().compareTo(Move.END_EXERCISE) <= 0;
        if (habit && goesOn) {
            return new Candidate(
                    best.rule(),
                    Move.CUE,
                    null,
                    null,
                    Reason.of("habit.coached"),
                    best.sign(),
                    List.of(),
                    best.closesLoadedRungs(),
                    best.refers());
        }
        Seen sign = best.sign();
        boolean ended = best.move() == Move.END_EXERCISE && sign != null && LoadSigns.isOne(sign);
        return ended && situation.before().endedForLoad() + 1 >= ENDED_FOR_LOAD ? best.closingLoadedRungs() : best;
    }

    /** Every rule, the strongest first: whether it applied, and what became of it. */
    public static List<Considered> trail(Situation situation) {
        List<Candidate> candidates = candidates(situation);
        return new Trail(situation, candidates, safest(situation, candidates)).rules();
    }

    static Candidate strongest(List<Candidate> candidates) {
        return candidates.stream()
                .min(Comparator.comparing(Candidate::move).reversed().thenComparing(Candidate::rule))
                .orElseThrow();
    }

    private static List<Candidate> candidates(Situation situation) {
        List<Candidate> candidates = new ArrayList<>();
        if (!situation.emergencies().isEmpty()) {
            candidates.add(Candidate.plain(
                            RuleId.R1,
                            Move.REFER_NOW,
                            null,
                            "R1.refer",
                            situation.emergencies().iterator().next())
                    .referring());
        }
        SignRules rules = new SignRules(situation);
        situation.seen().forEach(sign -> candidates.add(rules.answer(sign)));
        manyAtOnce(situation, rules, candidates);
        if (candidates.isEmpty()) {
            candidates.add(Candidate.plain(RuleId.R12, Move.CARRY_ON, null, "R12.nothing"));
        }
        return candidates;
    }

    /** Rule 13: two clear losses of control in one repetition are one rung too many. */
    private static void manyAtOnce(Situation situation, SignRules rules, List<Candidate> candidates) {
        Set<SignCode> clear = EnumSet.noneOf(SignCode.class);
        Set<Integer> repsNow = new java.util.HashSet<>();
        situation.seen().forEach(seen -> repsNow.add(seen.rep()));
        Stream<Seen> sameRep = situation.soFar().stream()
                .filter(repRecord -> repsNow.contains(repRecord.rep()))
                .flatMap(repRecord -> repRecord.signs().stream());
        Stream.concat(situation.seen().stream(), sameRep)
                .filter(Seen::clearly)
                .filter(seen -> rules.notASign(seen).isEmpty())
                .map(Seen::sign)
                .filter(Decisions::lossOfControl)
                .forEach(clear::add);
        boolean now = situation.seen().stream().anyMatch(seen -> clear.contains(seen.sign()));
        if (now && clear.size() >= SIGNS_FOR_R13) {
            candidates.add(rules.manyAtOnce(candidates.get(0), clear.size()));
        }
    }

    private static boolean lossOfControl(SignCode sign) {
        RuleId rule = SignRules.ruleOf(sign);
        return rule.compareTo(RuleId.R4) >= 0 && rule.compareTo(RuleId.R9) <= 0;
    }

    private static Advice advice(Situation situation, Candidate best, List<Candidate> all) {
        List<String> alsoSeen = new ArrayList<>();
        situation.emergencies().stream().map(Enum::name).forEach(alsoSeen::add);
        situation.seen().stream().map(seen -> seen.sign().name()).distinct().forEach(alsoSeen::add);
        Seen deciding = best.sign();
        if (best.rule() == RuleId.R1) {
            alsoSeen.remove(0);
        } else if (deciding != null && best.rule() != RuleId.R13) {
            alsoSeen.remove(deciding.sign().name());
        }
        StepsBack.To back = best.change() == null ? best.stepBack() : null;
        LeverChange change = best.change();
        Double goingBack = back == null ? null : back.loadChangePct();
        Double loadChange = change == null ? goingBack : change.loadChangePct();
        return new Advice(
                best.move(),
                change,
                back == null ? null : new Advice.StepBack(back.rung().code(), back.form(), back.range()),
                loadChange,
                best.rule(),
                change == null ? best.reason() : Reason.of("advice.withLever", change.inWords(), best.reason()),
                watchNext(situation, best),
                runnerUp(situation, best),
                alsoSeen,
                best.closesLoadedRungs() || all.stream().anyMatch(Candidate::closesLoadedRungs),
                best.refers());
    }

    private static @Nullable SignCode watchNext(Situation situation, Candidate best) {
        if (best.move().compareTo(Move.END_EXERCISE) >= 0) {
            return null;
        }
        Seen sign = best.sign();
        return sign != null
                ? sign.sign()
                : situation.rung().watch().stream().findFirst().orElse(null);
    }

    private static Advice.@Nullable RunnerUp runnerUp(Situation situation, Candidate best) {
        Rung back = situation.catalogue().previous(situation.rung()).orElse(null);
        return switch (best.move()) {
            case CARRY_ON ->
                best.options().isEmpty()
                        ? plain(Move.CUE, "runner.nothingToCorrect")
                        : with(best.options().get(0), "runner.stillInside");
            case CUE ->
                best.options().isEmpty()
                        ? plain(Move.STEP_BACK, "runner.cueFirst")
                        : with(best.options().get(0), "runner.cueFirst");
            case EASE -> runnerUpOfEase(best);
            case EASE_ONE_SIDE -> plain(Move.STEP_BACK, "runner.otherSideHolds");
            case END_SET -> plain(Move.CARRY_ON, "runner.formFading");
            case STEP_BACK ->
                best.options().isEmpty()
                        ? plain(Move.END_EXERCISE, "runner.stepIsEnough")
                        : with(
                                best.options().get(0),
                                best.rule() == RuleId.R13 ? "runner.tooManySigns" : "runner.easeNotEnough");
            case END_EXERCISE ->
                back == null ? plain(Move.END_SESSION, "runner.restIsFine") : plain(Move.STEP_BACK, "runner.notToday");
            case END_SESSION -> plain(Move.END_EXERCISE, "runner.twoSessions");
            case REFER_NOW -> plain(Move.END_SESSION, "runner.cannotWait");
        };
    }

    private static Advice.RunnerUp runnerUpOfEase(Candidate best) {
        if (best.options().size() < 2) {
            return plain(Move.STEP_BACK, "runner.easeFirst");
        }
        LeverChange chosen = Objects.requireNonNull(best.options().get(0));
        LeverChange second = best.options().get(1);
        Double chosenPct = chosen.loadChangePct();
        Double secondPct = second.loadChangePct();
        return chosenPct != null && secondPct != null && secondPct >= chosenPct
                ? new Advice.RunnerUp(
                        Move.EASE,
                        second,
                        Reason.of("runner.lessRelief", Math.round(-secondPct), Math.round(-chosenPct)))
                : with(second, "runner.laterInOrder");
    }

    private static Advice.RunnerUp plain(Move move, String key) {
        return new Advice.RunnerUp(move, null, Reason.of(key));
    }

    private static Advice.RunnerUp with(LeverChange change, String key) {
        return new Advice.RunnerUp(Move.EASE, change, Reason.of(key));
    }
}
