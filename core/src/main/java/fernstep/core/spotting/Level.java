package fernstep.core.spotting;

import fernstep.core.decision.Seen;
import java.util.List;

/**
 * How hard it is to see, from 1 to {@value #HARDEST}: more signs, shorter, fainter, and more harmless movement around them.
 * It grows with who looks: two rounds in a row above {@value #GROWS_FROM} make it harder, two below {@value #FALLS_BELOW}
 * easier.
 *
 * @param number from 1 to {@value #HARDEST}
 */
public record Level(int number) {
    public static final int HARDEST = 5;
    static final double GROWS_FROM = 0.8;
    static final double FALLS_BELOW = 0.5;
    private static final int IN_A_ROW = 2;

    /** @throws IllegalArgumentException outside 1 to {@value #HARDEST} */
    public Level {
        if (number < 1 || number > HARDEST) {
            throw new IllegalArgumentException("a level is 1 to " + HARDEST + ", not " + number);
        }
    }

    /**
     * One round as it was played.
     *
     * @param level from 1 to {@value #HARDEST}
     * @param score 0 to 1, see {@link Score#value()}
     */
    public record Played(int level, double score) {}

    /** @param rounds oldest first */
    public static Level after(List<Played> rounds) {
        if (rounds.isEmpty()) {
            return new Level(1);
        }
        int now = rounds.get(rounds.size() - 1).level();
        List<Played> latest = rounds.subList(Math.max(0, rounds.size() - IN_A_ROW), rounds.size());
        boolean settled = latest.size() == IN_A_ROW && latest.stream().allMatch(played -> played.level() == now);
        if (settled && latest.stream().allMatch(played -> played.score() >= GROWS_FROM)) {
            return new Level(Math.min(HARDEST, now + 1));
        }
        if (settled && latest.stream().allMatch(played -> played.score() < FALLS_BELOW)) {
            return new Level(Math.max(1, now - 1));
        }
        return new Level(now);
    }

    int episodes() {
        return 2 + number / 2;
    }

    /** Repetitions that a sign lasts. */
    int lasts() {
        return number <= 2 ? 2 : 1;
    }

    boolean slightOnes() {
        return number >= 3;
    }

    /** How far a strong sign shows; a slight one shows six tenths of it. */
    double amplitude(Seen.Severity severity) {
        double strong = 1 - 0.1 * (number - 1);
        return severity == Seen.Severity.CLEAR ? strong : 0.6 * strong;
    }

    /** What moves without meaning anything: always well below a slight sign. */
    double noise() {
        return 0.03 * number;
    }
}
