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
            assertThat(her.episodes()).allSatisfy(e -> {
                assertThat(e.from()).isGreaterThan(1);
                assertThat(e.to()).isLessThanOrEqualTo(SimulatedClient.REPS);
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
                            .anyMatch(e -> e.sign() == channel.sign() && now >= e.from() && now <= e.to());
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
            assertThat(SimulatedClient.of(seed, F3, new Level(5)).reps()).noneSatisfy(r -> {
                assertThat(r.shows().get(Channel.SOFT_RIDGE)).isGreaterThan(0.3);
                assertThat(r.shows().get(Channel.FIRM_RIDGE)).isGreaterThan(0.3);
            });
        }
    }

    @Test
    void a_thrown_movement_takes_less_time() {
        SimulatedClient her = java.util.stream.LongStream.range(0, 500)
                .mapToObj(seed -> SimulatedClient.of(seed, F3, new Level(5)))
                .filter(c -> c.episodes().stream().anyMatch(e -> e.sign() == SignCode.RUSHED))
                .findFirst()
                .orElseThrow();
        Episode hurry = her.episodes().stream()
                .filter(e -> e.sign() == SignCode.RUSHED)
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
                .filteredOn(s -> s.sign() == SignCode.DOME_FIRM)
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
                .extracting(f -> f.advice().move())
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
}
