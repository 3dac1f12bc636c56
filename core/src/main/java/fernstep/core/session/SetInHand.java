package fernstep.core.session;

import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.decision.Move;
import fernstep.core.decision.RepRecord;
import fernstep.core.decision.Seen;
import fernstep.core.findings.SignCode;
import fernstep.core.plan.Dose;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** The set that is being done, how many repetitions of it and what was seen in them; and those before it. */
final class SetInHand {
    private final List<SetDone> earlier = new ArrayList<>();
    private final List<RepRecord> seen = new ArrayList<>();
    /** Of the sets and rungs before this one, in this exercise. */
    private final List<RepRecord> seenBefore = new ArrayList<>();

    private int number = 1;
    private int repsDone;
    /** Repetitions of this set that were done on the rung before it was stepped back from. */
    private int before;

    private boolean over;

    /** From 1. */
    int number() {
        return number;
    }

    int repsDone() {
        return repsDone;
    }

    boolean over() {
        return over;
    }

    List<RepRecord> seen() {
        return List.copyOf(seen);
    }

    /** Something was done or seen in it, on the rung in hand. */
    private boolean begun() {
        return repsDone > before || !seen.isEmpty();
    }

    /** The repetition a sign belongs to: the one under way, or the last of a set that is over. */
    int repInHand() {
        return over ? Math.max(1, repsDone) : repsDone + 1;
    }

    boolean alreadySeen(SignCode sign) {
        int rep = repInHand();
        return seen.stream()
                .anyMatch(repRecord ->
                        repRecord.rep() == rep && repRecord.signs().stream().anyMatch(seen -> seen.sign() == sign));
    }

    /** What was seen and answered in this exercise before this set. */
    List<RepRecord> seenBefore() {
        return List.copyOf(seenBefore);
    }

    /** These are in use from its first repetition on, pulled for the other side of it. */
    void beginsWith(List<Lever> levers) {
        seenBefore.clear();
        levers.forEach(lever -> seenBefore.add(new RepRecord(1, List.of(), Move.EASE, lever)));
    }

    void saw(Seen what, Move move, @Nullable Lever lever, @Nullable Lever alsoLever) {
        int rep = Objects.requireNonNullElse(what.rep(), repInHand());
        seen.add(new RepRecord(rep, List.of(what), move, lever, alsoLever));
    }

    void repDone() {
        repsDone++;
    }

    void end() {
        over = true;
    }

    /** The sets so far, the one in hand last; a set in which nothing was done or seen is none. */
    List<SetDone> all(Rung rung, Dose dose, double range) {
        List<SetDone> all = new ArrayList<>(earlier);
        if (begun()) {
            all.add(soFar(rung, dose, range));
        }
        return all;
    }

    /** The set is behind her, as it was done. */
    void next(Rung rung, Dose dose, double range) {
        earlier.add(soFar(rung, dose, range));
        number++;
        repsDone = 0;
        before = 0;
        over = false;
        seenBefore.addAll(seen);
        seen.clear();
    }

    /** What follows of this set is done on another rung than this. */
    void goOnElsewhere(Rung rung, Dose dose, double range) {
        if (begun()) {
            earlier.add(soFar(rung, dose, range));
        }
        before = repsDone;
        seenBefore.addAll(seen);
        seen.clear();
    }

    /**
     * Clean are the repetitions before the first sign that asked for more than going on; fading at the end is wanted
     * and spoils nothing.
     *
     * @param range how far it went, 0 (easiest) to 1 (the rung's full range)
     */
    private SetDone soFar(Rung rung, Dose dose, double range) {
        int clean = seen.stream()
                .filter(repRecord -> repRecord.move() != Move.CARRY_ON)
                .filter(repRecord -> repRecord.signs().stream().anyMatch(seen -> seen.sign() != SignCode.TIRED))
                .mapToInt(repRecord -> repRecord.rep() - 1)
                .min()
                .orElse(repsDone);
        int done = repsDone - before;
        return new SetDone(
                rung,
                dose,
                range,
                number,
                before + 1,
                Math.max(1, dose.times() - before),
                done,
                Math.max(0, Math.min(clean - before, done)));
    }
}
