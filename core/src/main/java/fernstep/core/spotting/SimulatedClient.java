package fernstep.core.spotting;

import fernstep.core.body.Position;
import fernstep.core.catalogue.Rung;
import fernstep.core.decision.Seen;
import fernstep.core.findings.SignCode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;

/**
 * A client who shows signs by a script: the same seed, rung and level are the same client.
 *
 * @param seed any number; the same one makes the same client
 * @param episodes what truly shows, by repetition
 * @param reps what is seen, {@value #REPS} of them
 */
public record SimulatedClient(long seed, Rung rung, Level level, List<Episode> episodes, List<Rep> reps) {
    public static final int REPS = 8;
    private static final double HURRY_TAKES = 0.45;
    /** Slow rungs are shown faster: one learns more by seeing more of them. */
    private static final double LONGEST_S = 6;

    public SimulatedClient {
        episodes = List.copyOf(episodes);
        reps = List.copyOf(reps);
    }

    /**
     * One repetition.
     *
     * @param seconds it takes
     * @param shows how far each channel goes at its height, 0 to 1
     */
    public record Rep(double seconds, Map<Channel, Double> shows) {
        public Rep {
            shows = Map.copyOf(shows);
        }
    }

    public static SimulatedClient of(long seed, Rung rung, Level level) {
        Random random = new Random(seed);
        List<Episode> episodes = script(random, rung, level);
        List<Rep> reps = new ArrayList<>();
        for (int rep = 1; rep <= REPS; rep++) {
            reps.add(rep(random, rung, level, episodes, rep));
        }
        return new SimulatedClient(seed, rung, level, episodes, reps);
    }

    /** The first repetition is always clean, so that one can see how she moves when all is well. */
    private static List<Episode> script(Random random, Rung rung, Level level) {
        List<SignCode> signs = candidates(rung, level);
        List<Episode> episodes = new ArrayList<>();
        for (int tries = 0; episodes.size() < level.episodes() && tries < 100; tries++) {
            SignCode sign = signs.get(random.nextInt(signs.size()));
            int from = 2 + random.nextInt(REPS - 1 - level.lasts());
            Seen.Severity severity =
                    level.slightOnes() && random.nextBoolean() ? Seen.Severity.SLIGHT : Seen.Severity.CLEAR;
            Episode episode = new Episode(sign, severity, from, from + level.lasts() - 1);
            if (episodes.stream().noneMatch(each -> clash(each, episode))) {
                episodes.add(episode);
            }
        }
        return episodes.stream()
                .sorted(Comparator.comparingInt(Episode::from).thenComparing(Episode::sign))
                .toList();
    }

    /** Likeliest on the rung first; from the middle level on whatever can be seen in its position. */
    private static List<SignCode> candidates(Rung rung, Level level) {
        Set<SignCode> signs = new LinkedHashSet<>(rung.watch().stream()
                .filter(code -> Channel.of(code).isPresent())
                .toList());
        signs.removeIf(code -> code == SignCode.BELLY_DROPS && rung.position() != Position.HANDS_KNEES);
        if (level.slightOnes() || signs.size() < 3) {
            boolean onHandsAndKnees = rung.position() == Position.HANDS_KNEES;
            Channel.signs().stream()
                    .filter(code -> onHandsAndKnees || code != SignCode.BELLY_DROPS)
                    .forEach(signs::add);
        }
        return List.copyOf(signs);
    }

    /** The same sign twice without a clean repetition between could not be told apart; nor can two kinds of ridge. */
    private static boolean clash(Episode one, Episode other) {
        boolean together = one.from() <= other.to() + 2 && other.from() <= one.to() + 2;
        boolean alike = one.sign() == other.sign() || (ridge(one.sign()) && ridge(other.sign()));
        return together && alike;
    }

    private static boolean ridge(SignCode sign) {
        return sign == SignCode.DOME_SOFT || sign == SignCode.DOME_FIRM;
    }

    private static Rep rep(Random random, Rung rung, Level level, List<Episode> episodes, int number) {
        Map<Channel, Double> shows = new EnumMap<>(Channel.class);
        for (Channel channel : Channel.values()) {
            double harmless = random.nextDouble() * level.noise();
            double meant = episodes.stream()
                    .filter(episode ->
                            episode.sign() == channel.sign() && number >= episode.from() && number <= episode.to())
                    .mapToDouble(episode -> level.amplitude(episode.severity()))
                    .max()
                    .orElse(0);
            shows.put(channel, Math.max(harmless, meant));
        }
        double hurry = shows.getOrDefault(Channel.HURRY, 0.0);
        double seconds = rung.tempo().liftS()
                + rung.tempo().returnS()
                + Math.min(2, rung.tempo().restS());
        return new Rep(Math.min(LONGEST_S, seconds) * (1 - (1 - HURRY_TAKES) * hurry), shows);
    }
}
