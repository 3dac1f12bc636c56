package fernstep.core.spotting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Rung;
import fernstep.core.decision.Move;
import fernstep.core.decision.Seen.Severity;
import fernstep.core.decision.Setting;
import fernstep.core.decision.Situation;
import fernstep.core.findings.SignCode;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** A simulated client and what is called out beside her. */
class SpottingTest {
    private static final Rung F3 = ShippedCatalogue.CATALOGUE.rung("F3");
    private static final Situation HER = new Situation(
            ShippedCatalogue.CATALOGUE,
            Approach.SLOW_LADDER.stances(),
            new Situation.Woman(false, Set.of(), Body.of(null, null)),
            new Situation.Doing(F3, null, new Setting(1, null, 8, Set.of())),
            new Situation.Now(Set.of(), List.of()),
            Situation.Before.NOTHING);

    private static Episode episode(SignCode sign, Severity severity, int from, int to) {
        return new Episode(sign, severity, from, to);
    }

    @Test
    void the_same_seed_is_the_same_client_and_another_seed_another() {
        SimulatedClient one = SimulatedClient.of(7, F3, new Level(3));
        assertThat(SimulatedClient.of(7, F3, new Level(3))).isEqualTo(one);
        assertThat(SimulatedClient.of(8, F3, new Level(3)).reps()).isNotEqualTo(one.reps());
    }

    @ParameterizedTest
    @CsvSource({"1,2", "2,3", "3,3", "4,4", "5,4"})
    void a_harder_level_shows_more_signs_and_never_one_in_the_first_repetition(int level, int signs) {
        for (long seed = 0; seed < 200; seed++) {
            SimulatedClient her = SimulatedClient.of(seed, F3, new Level(level));
            assertThat(her.episodes()).hasSize(signs);
            assertThat(her.episodes()).allSatisfy(episode -> {
                assertThat(episode.from()).isGreaterThan(1);
                assertThat(episode.to()).isLessThanOrEqualTo(SimulatedClient.REPS);
            });
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5})
    void what_moves_without_meaning_stays_well_below_the_faintest_sign(int level) {
        Level at = new Level(level);
        for (long seed = 0; seed < 200; seed++) {
            SimulatedClient her = SimulatedClient.of(seed, F3, at);
            for (int rep = 1; rep <= SimulatedClient.REPS; rep++) {
                for (Channel channel : Channel.values()) {
                    int now = rep;
                    boolean meant = her.episodes().stream()
                            .anyMatch(episode ->
                                    episode.sign() == channel.sign() && now >= episode.from() && now <= episode.to());
                    double shown = her.reps().get(rep - 1).shows().get(channel);
                    if (meant) {
                        assertThat(shown).isGreaterThanOrEqualTo(0.36);
                    } else {
                        assertThat(shown).isLessThanOrEqualTo(0.15);
                    }
                }
            }
        }
    }

    @Test
    void two_kinds_of_ridge_never_show_together() {
        for (long seed = 0; seed < 500; seed++) {
            assertThat(SimulatedClient.of(seed, F3, new Level(5)).reps()).noneSatisfy(rep -> {
                assertThat(rep.shows().get(Channel.SOFT_RIDGE)).isGreaterThan(0.3);
                assertThat(rep.shows().get(Channel.FIRM_RIDGE)).isGreaterThan(0.3);
            });
        }
    }

    @Test
    void a_thrown_movement_takes_less_time() {
        SimulatedClient her = java.util.stream.LongStream.range(0, 500)
                .mapToObj(seed -> SimulatedClient.of(seed, F3, new Level(5)))
                .filter(client -> client.episodes().stream().anyMatch(episode -> episode.sign() == SignCode.RUSHED))
                .findFirst()
                .orElseThrow();
        Episode hurry = her.episodes().stream()
                .filter(episode -> episode.sign() == SignCode.RUSHED)
                .findFirst()
                .orElseThrow();
        assertThat(her.reps().get(hurry.from() - 1).seconds())
                .isLessThan(0.85 * her.reps().get(0).seconds());
    }

    @Test
    void a_score_counts_hits_misses_false_alarms_and_how_late_a_sign_was_called() {
        List<Episode> truth = List.of(
                episode(SignCode.DOME_FIRM, Severity.CLEAR, 2, 3),
                episode(SignCode.RIBS_FLARE, Severity.CLEAR, 4, 4),
                episode(SignCode.BREATH_HELD, Severity.CLEAR, 6, 7));
        List<Mark> marks = List.of(
                new Mark(SignCode.DOME_FIRM, 3, null),
                new Mark(SignCode.RIBS_FLARE, 5, null),
                new Mark(SignCode.PELVIS_ROCKS, 5, null),
                new Mark(SignCode.DOME_FIRM, 8, null));
        Score score = Score.of(truth, marks, HER);
        assertThat(score.hits()).isEqualTo(2);
        assertThat(score.misses()).isEqualTo(1);
        assertThat(score.falseAlarms())
                .extracting(Mark::sign)
                .containsExactly(SignCode.PELVIS_ROCKS, SignCode.DOME_FIRM);
        assertThat(score.found()).extracting(Score.Found::delayReps).containsExactly(1, 1, 0);
        // 2·2 / (2·2 + 1 + 2)
        assertThat(score.value()).isCloseTo(4.0 / 7, within(1e-9));
        assertThat(score.bySign())
                .filteredOn(sign -> sign.sign() == SignCode.DOME_FIRM)
                .containsExactly(new Score.OfSign(SignCode.DOME_FIRM, 1, 1, 1, 1));
    }

    @ParameterizedTest
    @CsvSource({"CARRY_ON,MILDER", "CUE,SAME", "EASE,SAFER", "END_EXERCISE,SAFER", ",NOT_SAID"})
    void a_chosen_move_is_set_against_the_rules_own(Move chosen, Score.Choice expected) {
        // slight and for the first time: said in one cue
        List<Episode> truth = List.of(episode(SignCode.BACK_ARCHES, Severity.SLIGHT, 3, 3));
        Score score = Score.of(truth, List.of(new Mark(SignCode.BACK_ARCHES, 3, chosen)), HER);
        assertThat(score.found().get(0).advice().move()).isEqualTo(Move.CUE);
        assertThat(score.found().get(0).choice()).isEqualTo(expected);
        assertThat(score.choices(expected)).isEqualTo(1);
    }

    @Test
    void the_rules_remember_what_showed_before_in_the_set() {
        List<Episode> truth = List.of(
                episode(SignCode.BACK_ARCHES, Severity.SLIGHT, 2, 2),
                episode(SignCode.BACK_ARCHES, Severity.SLIGHT, 5, 5));
        assertThat(Score.of(truth, List.of(), HER).found())
                .extracting(found -> found.advice().move())
                .containsExactly(Move.CUE, Move.EASE);
    }

    @Test
    void nothing_shown_and_nothing_called_is_all_right() {
        assertThat(Score.of(List.of(), List.of(), HER).value()).isEqualTo(1);
    }

    @Test
    void two_good_rounds_in_a_row_make_it_harder_and_two_poor_ones_easier() {
        assertThat(Level.after(List.of())).isEqualTo(new Level(1));
        assertThat(Level.after(List.of(new Level.Played(1, 0.9)))).isEqualTo(new Level(1));
        assertThat(Level.after(List.of(new Level.Played(1, 0.8), new Level.Played(1, 0.9))))
                .isEqualTo(new Level(2));
        assertThat(Level.after(List.of(new Level.Played(2, 0.4), new Level.Played(2, 0.2))))
                .isEqualTo(new Level(1));
        assertThat(Level.after(List.of(new Level.Played(1, 0.9), new Level.Played(2, 0.9))))
                .as("one round on the new level says little")
                .isEqualTo(new Level(2));
        assertThat(Level.after(List.of(new Level.Played(5, 1), new Level.Played(5, 1))))
                .isEqualTo(new Level(5));
        assertThat(Level.after(List.of(new Level.Played(1, 0), new Level.Played(1, 0))))
                .isEqualTo(new Level(1));
        assertThatThrownBy(() -> new Level(6)).hasMessageContaining("1 to 5");
    }

    /** Strong signs lose a tenth a level, slight ones show six tenths of a strong one; harmless movement grows by 3 %. */
    @ParameterizedTest(name = "level {0}: {1} signs of {2} repetitions, {3} strong, {4} slight, harmless up to {5}")
    @CsvSource({
        "1, 2, 2, 1.0, 0.60, 0.03",
        "2, 3, 2, 0.9, 0.54, 0.06",
        "3, 3, 1, 0.8, 0.48, 0.09",
        "4, 4, 1, 0.7, 0.42, 0.12",
        "5, 4, 1, 0.6, 0.36, 0.15"
    })
    void a_level_says_how_many_how_long_how_plain(
            int number, int episodes, int lasts, double strong, double slight, double harmless) {
        Level level = new Level(number);
        assertThat(level.episodes()).isEqualTo(episodes);
        assertThat(level.lasts()).isEqualTo(lasts);
        assertThat(level.amplitude(Severity.CLEAR)).isCloseTo(strong, within(1e-9));
        assertThat(level.amplitude(Severity.SLIGHT)).isCloseTo(slight, within(1e-9));
        assertThat(level.noise()).isCloseTo(harmless, within(1e-9));
        assertThat(level.slightOnes()).isEqualTo(number >= 3);
        for (long seed = 0; seed < 100; seed++) {
            SimulatedClient her = SimulatedClient.of(seed, F3, level);
            assertThat(her.episodes()).allSatisfy(episode -> {
                assertThat(episode.to() - episode.from() + 1).isEqualTo(lasts);
                assertThat(number >= 3 || episode.severity() == Severity.CLEAR).isTrue();
                double shown = her.reps()
                        .get(episode.from() - 1)
                        .shows()
                        .get(Channel.of(episode.sign()).orElseThrow());
                assertThat(shown).isCloseTo(level.amplitude(episode.severity()), within(1e-9));
            });
        }
    }

    @Test
    void half_right_twice_is_not_too_hard_and_just_short_of_eight_tenths_not_too_easy() {
        assertThat(Level.after(List.of(new Level.Played(2, 0.5), new Level.Played(2, 0.4))))
                .isEqualTo(new Level(2));
        assertThat(Level.after(List.of(new Level.Played(2, 0.79), new Level.Played(2, 1))))
                .isEqualTo(new Level(2));
        assertThat(Level.after(List.of(new Level.Played(2, 0.1), new Level.Played(2, 0.9), new Level.Played(2, 0.9))))
                .as("the last two count")
                .isEqualTo(new Level(3));
        assertThat(Level.after(List.of(new Level.Played(3, 0.1), new Level.Played(2, 0.1))))
                .as("one round on this level")
                .isEqualTo(new Level(2));
    }

    @Test
    void at_first_only_what_is_likely_on_the_rung_shows_later_whatever_can_be_seen() {
        Set<SignCode> likely = java.util.EnumSet.noneOf(SignCode.class);
        F3.watch().stream().filter(code -> Channel.of(code).isPresent()).forEach(likely::add);
        assertThat(likely).hasSizeGreaterThanOrEqualTo(3);
        Set<SignCode> first = java.util.EnumSet.noneOf(SignCode.class);
        Set<SignCode> later = java.util.EnumSet.noneOf(SignCode.class);
        for (long seed = 0; seed < 400; seed++) {
            SimulatedClient.of(seed, F3, new Level(1)).episodes().forEach(episode -> first.add(episode.sign()));
            SimulatedClient.of(seed, F3, new Level(3)).episodes().forEach(episode -> later.add(episode.sign()));
        }
        assertThat(first).isEqualTo(likely);
        Set<SignCode> seen = java.util.EnumSet.copyOf(Channel.signs());
        seen.remove(SignCode.BELLY_DROPS);
        assertThat(later).as("lying, no belly sinks").isEqualTo(seen);
    }

    @Test
    void a_belly_sinks_on_hands_and_knees_only() {
        for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
            boolean sinks = false;
            for (long seed = 0; seed < 60; seed++) {
                sinks |= SimulatedClient.of(seed, rung, new Level(4)).episodes().stream()
                        .anyMatch(episode -> episode.sign() == SignCode.BELLY_DROPS);
            }
            assertThat(sinks).as(rung.code()).isEqualTo(rung.position() == fernstep.core.body.Position.HANDS_KNEES);
        }
    }

    /** Two of a kind are told apart by two clean repetitions between; they stand in the order in which they show. */
    @ParameterizedTest
    @ValueSource(ints = {1, 3, 5})
    void the_same_sign_comes_again_after_two_clean_repetitions_at_the_earliest(int level) {
        for (long seed = 0; seed < 400; seed++) {
            List<Episode> all = SimulatedClient.of(seed, F3, new Level(level)).episodes();
            for (int i = 0; i < all.size(); i++) {
                for (Episode before : all.subList(0, i)) {
                    Episode now = all.get(i);
                    assertThat(before.from()).isLessThanOrEqualTo(now.from());
                    boolean ridges = isRidge(before) && isRidge(now);
                    if (before.sign() == now.sign() || ridges) {
                        assertThat(now.from()).as("seed %s", seed).isGreaterThan(before.to() + 2);
                    }
                }
            }
        }
    }

    private static boolean isRidge(Episode episode) {
        return episode.sign() == SignCode.DOME_SOFT || episode.sign() == SignCode.DOME_FIRM;
    }

    @Test
    void a_repetition_takes_its_tempo_and_no_more_than_six_seconds() {
        for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
            double tempo = Math.min(
                    6,
                    rung.tempo().liftS()
                            + rung.tempo().returnS()
                            + Math.min(2, rung.tempo().restS()));
            // what hurries without meaning anything takes 3 % of 55 % off at most
            assertThat(SimulatedClient.of(1, rung, new Level(1)).reps().get(0).seconds())
                    .as(rung.code())
                    .isBetween(0.98 * tempo, tempo);
        }
    }

    @Test
    void a_thrown_movement_at_its_plainest_takes_a_little_less_than_half() {
        Rung rushed = ShippedCatalogue.CATALOGUE.rungs().stream()
                .filter(rung -> rung.watch().stream()
                                .filter(code -> Channel.of(code).isPresent())
                                .count()
                        < 3)
                .findFirst()
                .orElseThrow();
        int found = 0;
        for (long seed = 0; seed < 200; seed++) {
            SimulatedClient her = SimulatedClient.of(seed, rushed, new Level(1));
            double clean = Math.min(
                    6,
                    rushed.tempo().liftS()
                            + rushed.tempo().returnS()
                            + Math.min(2, rushed.tempo().restS()));
            for (Episode e : her.episodes()) {
                if (e.sign() == SignCode.RUSHED) {
                    found++;
                    assertThat(her.reps().get(e.from() - 1).seconds()).isCloseTo(0.45 * clean, within(1e-9));
                    assertThat(her.reps().get(e.to() - 1).seconds()).isCloseTo(0.45 * clean, within(1e-9));
                }
            }
        }
        assertThat(found).isPositive();
    }

    @Test
    void a_sign_nobody_can_see_has_no_way_to_show() {
        assertThat(Channel.of(SignCode.PAIN)).isEmpty();
        assertThat(Channel.of(SignCode.RUSHED)).contains(Channel.HURRY);
        assertThat(Channel.signs()).contains(SignCode.TIRED).doesNotContain(SignCode.PAIN, SignCode.HEAVY);
    }

    @Test
    void a_sign_is_counted_over_all_rounds_with_how_late_it_was_called_on_the_mean() {
        Score.OfSign two =
                new Score.OfSign(SignCode.RUSHED, 2, 1, 3, 1).plus(new Score.OfSign(SignCode.RUSHED, 4, 3, 1, 5));
        assertThat(two).isEqualTo(new Score.OfSign(SignCode.RUSHED, 6, 4, 4, 6));
        assertThat(two.meanDelayReps()).isEqualTo(1.5);
        assertThat(new Score.OfSign(SignCode.RUSHED, 2, 0, 0, 0).meanDelayReps())
                .isZero();
    }

    @Test
    void every_sign_that_showed_or_was_called_has_its_line_and_no_other() {
        Score score = Score.of(
                List.of(
                        episode(SignCode.RIBS_FLARE, Severity.CLEAR, 2, 2),
                        episode(SignCode.RIBS_FLARE, Severity.CLEAR, 6, 7)),
                List.of(new Mark(SignCode.RIBS_FLARE, 7, Move.CARRY_ON), new Mark(SignCode.TIRED, 4, null)),
                HER);
        assertThat(score.bySign())
                .containsExactlyInAnyOrder(
                        new Score.OfSign(SignCode.RIBS_FLARE, 2, 1, 0, 1),
                        new Score.OfSign(SignCode.TIRED, 0, 0, 1, 0));
        assertThat(score.milder()).isEqualTo(1);
        assertThat(score.choices(Score.Choice.NOT_SAID))
                .as("the one that was missed")
                .isEqualTo(1);
    }
}
