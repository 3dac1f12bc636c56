package fernstep.core.spotting;

import fernstep.core.catalogue.Lever;
import fernstep.core.decision.Advice;
import fernstep.core.decision.Decisions;
import fernstep.core.decision.Move;
import fernstep.core.decision.RepRecord;
import fernstep.core.decision.Seen;
import fernstep.core.decision.Situation;
import fernstep.core.findings.SignCode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What was called out, set against what truly showed and what the rules would have done.
 *
 * @param found one for each episode, in its order
 * @param falseAlarms marks that no episode accounts for
 */
public record Score(List<Found> found, List<Mark> falseAlarms) {

    public Score {
        found = List.copyOf(found);
        falseAlarms = List.copyOf(falseAlarms);
    }

    /** How a chosen move stands to the one of the rules. */
    public enum Choice {
        SAME,
        /** Asks less of her than the rules do: safe. */
        SAFER,
        /** Asks more of her than the rules do. */
        MILDER,
        NOT_SAID
    }

    /**
     * An episode and what became of it.
     *
     * @param mark the first that meant it; null where it was missed
     * @param advice what the rules answer when it begins
     */
    public record Found(Episode episode, @Nullable Mark mark, Advice advice) {
        public boolean hit() {
            return mark != null;
        }

        /** Repetitions between its beginning and the mark; 0 where it was missed. */
        public int delayReps() {
            return mark == null ? 0 : mark.rep() - episode.from();
        }

        public Choice choice() {
            Move chosen = mark == null ? null : mark.move();
            if (chosen == null) {
                return Choice.NOT_SAID;
            }
            int order = chosen.compareTo(plain(advice.move()));
            if (order == 0) {
                return Choice.SAME;
            }
            return order > 0 ? Choice.SAFER : Choice.MILDER;
        }
    }

    /** Easing one side is an ease: who looks at a screen does not choose sides. */
    private static Move plain(Move move) {
        return move == Move.EASE_ONE_SIDE ? Move.EASE : move;
    }

    /**
     * @param marks in the order in which they were called
     * @param situation the simulated client as the rules see her, with nothing seen yet
     */
    public static Score of(List<Episode> episodes, List<Mark> marks, Situation situation) {
        List<Found> found = new ArrayList<>();
        List<RepRecord> soFar = new ArrayList<>();
        for (Episode e : episodes) {
            Seen seen = Seen.of(e.sign(), e.severity()).inRep(e.from());
            Advice advice = Decisions.next(new Situation(
                    situation.catalogue(),
                    situation.stances(),
                    situation.her(),
                    situation.doing(),
                    new Situation.Now(java.util.Set.of(), List.of(seen)),
                    Situation.Before.of(soFar, List.of(), List.of())));
            Lever lever = advice.change() == null ? null : advice.change().lever();
            soFar.add(new RepRecord(e.from(), List.of(seen), advice.move(), lever));
            Optional<Mark> mark = marks.stream().filter(e::isMeantBy).min(Comparator.comparingInt(Mark::rep));
            found.add(new Found(e, mark.orElse(null), advice));
        }
        List<Mark> falseAlarms = marks.stream()
                .filter(each -> episodes.stream().noneMatch(episode -> episode.isMeantBy(each)))
                .toList();
        return new Score(found, falseAlarms);
    }

    public int hits() {
        return (int) found.stream().filter(Found::hit).count();
    }

    public int misses() {
        return found.size() - hits();
    }

    /** Share of what was right among all that showed or was called: 2 hits / (2 hits + misses + false alarms), 0 to 1. */
    public double value() {
        int all = 2 * hits() + misses() + falseAlarms.size();
        return all == 0 ? 1 : 2.0 * hits() / all;
    }

    /**
     * Of one sign.
     *
     * @param shown how often it showed, from 0
     * @param hits how often it was called while it showed, at most {@code shown}
     * @param falseAlarms how often it was called without showing, from 0
     * @param delayReps repetitions from showing to being called, all together
     */
    public record OfSign(SignCode sign, int shown, int hits, int falseAlarms, int delayReps) {
        public OfSign plus(OfSign other) {
            return new OfSign(
                    sign,
                    shown + other.shown,
                    hits + other.hits,
                    falseAlarms + other.falseAlarms,
                    delayReps + other.delayReps);
        }

        /** Repetitions from showing to being called, on the mean; 0 where it was never found. */
        public double meanDelayReps() {
            return hits == 0 ? 0 : (double) delayReps / hits;
        }
    }

    /** Every sign that showed or was called. */
    public List<OfSign> bySign() {
        List<OfSign> all = new ArrayList<>();
        for (SignCode sign : SignCode.values()) {
            List<Found> mine = found.stream()
                    .filter(found -> found.episode().sign() == sign)
                    .toList();
            int alarms = (int)
                    falseAlarms.stream().filter(mark -> mark.sign() == sign).count();
            if (!mine.isEmpty() || alarms > 0) {
                all.add(new OfSign(
                        sign,
                        mine.size(),
                        (int) mine.stream().filter(Found::hit).count(),
                        alarms,
                        mine.stream().mapToInt(Found::delayReps).sum()));
            }
        }
        return all;
    }

    public int choices(Choice choice) {
        return (int) found.stream().filter(found -> found.choice() == choice).count();
    }

    /** Moves that ask more of her than the rules do. */
    public int milder() {
        return choices(Choice.MILDER);
    }
}
