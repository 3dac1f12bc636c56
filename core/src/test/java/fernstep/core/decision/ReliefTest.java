package fernstep.core.decision;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.BodyPlace;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.core.screening.Strand;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.BiConsumer;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What answers a sign of too much load takes a tenth of it away, and no exercise is eased for ever. */
class ReliefTest extends RulesAsked {
    private static final double A_TENTH_LESS = 0.9;
    /** Ranges are kept with two decimals and percentages with one. */
    private static final double ROUNDING = 0.002;

    private static final List<Body> BODIES = List.of(Body.of(48.0, 152.0), Body.of(70.0, 168.0), Body.of(104.0, 181.0));
    private static final double[] RANGES = {0.34, 0.67, 1};

    private static List<Seen> loadSigns() {
        List<Seen> all = new ArrayList<>();
        for (SignCode code : LoadSigns.all()) {
            for (Seen.Severity severity : Seen.Severity.values()) {
                Seen seen = Seen.of(code, severity).inRep(4);
                all.add(
                        code == SignCode.PAIN
                                ? seen.withPain(2, BodyPlace.LOW_BACK)
                                : code == SignCode.SET_LOST ? seen.recoverable(false) : seen);
            }
        }
        return all;
    }

    private static Situation situation(
            Rung rung, Approach approach, Body body, double range, boolean pregnant, Seen... seen) {
        return new Situation(
                ShippedCatalogue.CATALOGUE,
                approach.stances(),
                new Situation.Woman(pregnant, Set.of(), body),
                new Situation.Doing(
                        rung,
                        rung.perSide() ? Side.LEFT : null,
                        new Setting(rung.hasRange() ? range : 1, null, 8, Set.of())),
                new Situation.Now(Set.of(), List.of(seen)),
                Situation.Before.NOTHING);
    }

    private static void everywhere(Approach approach, BiConsumer<Rung, Situation> look, Seen... seen) {
        for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
            for (Body body : BODIES) {
                for (double range : RANGES) {
                    for (boolean pregnant : new boolean[] {false, true}) {
                        look.accept(rung, situation(rung, approach, body, range, pregnant, seen));
                    }
                }
            }
        }
    }

    private static double loadAfter(Situation situation, Advice answer) {
        Advice.StepBack back = answer.back();
        if (back != null) {
            return back.form().of(ShippedCatalogue.CATALOGUE.rung(back.rung())).indexAt(back.range(), situation.body());
        }
        Double pct = answer.loadChangePct();
        return situation.rung().indexAt(situation.setting().range(), situation.body())
                * (1 + (pct == null ? 0 : pct) / 100);
    }

    @ParameterizedTest
    @EnumSource(Approach.class)
    void every_ease_and_step_back_of_a_followed_load_takes_a_tenth_away(Approach approach) {
        int[] looked = {0};
        for (Seen seen : loadSigns()) {
            everywhere(
                    approach,
                    (rung, situation) -> {
                        Advice answer = Decisions.next(situation);
                        boolean lessLoad = answer.move().eases() || answer.move() == Move.STEP_BACK;
                        if (rung.family() == null || !lessLoad) {
                            return;
                        }
                        looked[0]++;
                        double now = rung.indexAt(situation.setting().range(), situation.body());
                        assertThat(answer.loadChangePct())
                                .as("%s %s", rung.code(), seen.sign())
                                .isNotNull()
                                .isLessThanOrEqualTo(-10);
                        assertThat(loadAfter(situation, answer))
                                .as(
                                        "%s at %s for %s",
                                        rung.code(), situation.setting().range(), seen.sign())
                                .isLessThanOrEqualTo(now * (A_TENTH_LESS + ROUNDING));
                    },
                    seen);
        }
        assertThat(looked[0]).isGreaterThan(1000);
    }

    @ParameterizedTest
    @EnumSource(Approach.class)
    void a_worse_sign_is_never_answered_more_mildly(Approach approach) {
        Seen[][] worse = {
            {Seen.slight(SignCode.DOME_SOFT), Seen.clear(SignCode.DOME_SOFT)},
            {
                Seen.clear(SignCode.PAIN).withPain(2, BodyPlace.HIP),
                Seen.clear(SignCode.PAIN).withPain(6, BodyPlace.HIP)
            },
            {Seen.clear(SignCode.PAIN).withPain(3, BodyPlace.HIP), sharp()},
            {Seen.slight(SignCode.BACK_ARCHES), Seen.clear(SignCode.BACK_ARCHES)},
            {
                Seen.clear(SignCode.SET_LOST).recoverable(true),
                Seen.clear(SignCode.SET_LOST).recoverable(false)
            }
        };
        for (Seen[] pair : worse) {
            everywhere(
                    approach,
                    (rung, situation) -> assertThat(
                                    Decisions.next(seeing(situation, pair[1])).move())
                            .as("%s %s", rung.code(), pair[0].sign())
                            .isGreaterThanOrEqualTo(Decisions.next(situation).move()),
                    pair[0]);
        }
    }

    private static Seen sharp() {
        return new Seen(SignCode.PAIN, Seen.Severity.CLEAR, null, 4, null, 3, BodyPlace.HIP, true, null);
    }

    private static Situation seeing(Situation situation, Seen seen) {
        return new Situation(
                situation.catalogue(),
                situation.stances(),
                situation.her(),
                situation.doing(),
                new Situation.Now(Set.of(), List.of(seen)),
                situation.before());
    }

    @Nested
    class The_budget_of_an_exercise {
        private final Seen soft = Seen.clear(SignCode.DOME_SOFT);
        private final Seen arch = Seen.clear(SignCode.BACK_ARCHES);
        private final Seen firm = Seen.clear(SignCode.DOME_FIRM);

        @Test
        void counts_all_signs_of_load_together() {
            Case twice = onF4().before(1, Move.EASE, Lever.BEND_KNEE, soft)
                    .before(3, Move.EASE, Lever.RAISE_RANGE, arch)
                    .set(0.67, 5.0, 8);
            assertThat(twice.sees(firm.inRep(5)).move()).isIn(Move.STEP_BACK, Move.END_EXERCISE);
            assertThat(twice.sees(Seen.slight(SignCode.WALL_BULGE).inRep(5)).move())
                    .as("never a cue as the third answer")
                    .isIn(Move.STEP_BACK, Move.END_EXERCISE);
        }

        @Test
        void ends_it_with_the_sign_after_the_step_back() {
            assertThat(onF4().before(1, Move.EASE, Lever.BEND_KNEE, soft)
                            .before(2, Move.EASE, Lever.RAISE_RANGE, arch)
                            .before(3, Move.STEP_BACK, null, firm)
                            .sees(soft.inRep(5))
                            .move())
                    .isEqualTo(Move.END_EXERCISE);
        }

        @Test
        void is_not_spent_by_what_is_no_sign_of_load() {
            assertThat(onF4().before(1, Move.EASE, Lever.SLOWER, Seen.clear(SignCode.RUSHED))
                            .before(3, Move.EASE, Lever.SLOWER, Seen.clear(SignCode.HIP_GRIP))
                            .sees(arch.inRep(5))
                            .move())
                    .isEqualTo(Move.EASE);
        }

        @Test
        void closes_the_loaded_part_with_the_third_exercise_ended() {
            Situation now = onF4().set(0, null, 8).situation(firm);
            for (int ended : new int[] {0, 1, 2}) {
                Situation s = new Situation(
                        now.catalogue(),
                        now.stances(),
                        now.her(),
                        new Situation.Doing(ShippedCatalogue.CATALOGUE.rung("F1"), Side.LEFT, now.setting()),
                        now.now(),
                        new Situation.Before(List.of(), List.of(), ended, List.of(), List.of()));
                Advice answer = Decisions.next(s);
                assertThat(answer.move()).isEqualTo(Move.END_EXERCISE);
                assertThat(answer.closesLoadedRungs()).as("%s before", ended).isEqualTo(ended == 2);
            }
        }
    }

    @Nested
    class The_place_of_a_pain {
        private Advice hip(Side before, Side now, BodyPlace placeBefore) {
            return onF4().lastSession(
                            Seen.clear(SignCode.PAIN).withPain(5, placeBefore).on(before))
                    .sees(Seen.clear(SignCode.PAIN).withPain(5, BodyPlace.HIP).on(now));
        }

        @Test
        void is_the_same_only_with_its_side() {
            assertThat(hip(Side.LEFT, Side.LEFT, BodyPlace.HIP).move()).isEqualTo(Move.REFER_NOW);
            assertThat(hip(Side.LEFT, Side.RIGHT, BodyPlace.HIP).move()).isEqualTo(Move.END_EXERCISE);
            assertThat(hip(Side.LEFT, Side.LEFT, BodyPlace.GROIN).move()).isEqualTo(Move.END_EXERCISE);
        }

        @ParameterizedTest
        @CsvSource({"1, MILD", "3, MILD", "4, MODERATE", "6, MODERATE", "7, SEVERE", "10, SEVERE"})
        void has_a_word_that_follows_its_number(int level, Seen.PainWord word) {
            assertThat(Seen.PainWord.of(level)).isEqualTo(word);
        }
    }

    @Nested
    class Leaking {
        private static final LocalDate LAST = LocalDate.of(2031, 5, 12);

        private Advice after(int... daysBefore) {
            List<Situation.EarlierSession> earlier = new ArrayList<>();
            for (int days : daysBefore) {
                earlier.add(new Situation.EarlierSession(LAST.minusDays(days), List.of(Seen.slight(SignCode.LEAK))));
            }
            Situation s = onF4().situation(Seen.slight(SignCode.LEAK).inRep(4));
            return Decisions.next(new Situation(
                    s.catalogue(),
                    s.stances(),
                    s.her(),
                    s.doing(),
                    s.now(),
                    Situation.Before.of(List.of(), List.of(), earlier)));
        }

        @Test
        void is_never_answered_as_an_emergency() {
            assertThat(after().move()).isEqualTo(Move.EASE);
            assertThat(after().refers()).isFalse();
            assertThat(after(0).move()).isEqualTo(Move.EASE);
            assertThat(after(0).refers()).isTrue();
        }

        @Test
        void keeps_its_referral_where_the_exercise_is_out_of_easings() {
            Advice third = onF4().lastSession(Seen.clear(SignCode.LEAK))
                    .before(1, Move.EASE, Lever.BEND_KNEE, Seen.clear(SignCode.DOME_SOFT))
                    .before(2, Move.EASE, Lever.RAISE_RANGE, Seen.clear(SignCode.BACK_ARCHES))
                    .sees(Seen.clear(SignCode.LEAK).inRep(4));
            assertThat(third.move()).isIn(Move.STEP_BACK, Move.END_EXERCISE);
            assertThat(third.refers()).isTrue();
        }

        @Test
        void in_three_weeks_of_four_is_looked_at_before_any_load() {
            assertThat(after(0, 2, 3).closesLoadedRungs()).as("one week").isFalse();
            assertThat(after(0, 7, 14).closesLoadedRungs()).isTrue();
            assertThat(after(0, 7, 14).move()).isEqualTo(Move.END_EXERCISE);
        }
    }

    @Test
    void bearing_down_in_a_second_session_ends_here_and_is_referred() {
        Seen down = Seen.clear(SignCode.BEARS_DOWN);
        assertThat(onF4().sees(down).refers()).isFalse();
        Advice again = onF4().lastSession(down).sees(down);
        assertThat(again.move()).isEqualTo(Move.END_SESSION);
        assertThat(again.refers()).isTrue();
        assertThat(again.closesLoadedRungs()).isTrue();
    }

    @ParameterizedTest
    @EnumSource(
            value = SignCode.class,
            names = {"DOME_FIRM", "DOME_SOFT", "BACK_ARCHES", "SET_LOST"})
    void getting_up_is_coached_and_never_ended(SignCode sign) {
        for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
            if (rung.strand() == Strand.UPRIGHT && rung.fromDayOne()) {
                Situation s = situation(
                        rung,
                        Approach.SLOW_LADDER,
                        BODIES.get(1),
                        1,
                        false,
                        Seen.clear(sign).recoverable(false));
                assertThat(Decisions.next(s).move()).as(rung.code()).isEqualTo(Move.CUE);
            }
        }
    }

    @ParameterizedTest
    @EnumSource(Approach.class)
    void pressing_the_back_flat_is_never_stepped_back_to_under_the_natural_curve(Approach approach) {
        if (approach.stances().spine() != Stances.Spine.NATURAL_CURVE) {
            return;
        }
        for (Seen seen : loadSigns()) {
            everywhere(
                    approach,
                    (rung, situation) -> assertThat(Decisions.next(situation).stepBackTo())
                            .as(rung.code())
                            .isNotEqualTo("PC2"),
                    seen);
        }
    }
}
