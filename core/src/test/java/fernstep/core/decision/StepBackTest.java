package fernstep.core.decision;

import static fernstep.core.decision.Seen.clear;
import static fernstep.core.decision.Seen.slight;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.Restriction;
import fernstep.core.findings.SignCode;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where no lever is left: the rung she goes back to, and the soft ridge that an approach tolerates for a while. */
class StepBackTest extends LeverOffers {
    @Nested
    class Back {
        @Test
        void is_a_rung_she_may_do_in_the_form_she_may_do_it() {
            Situation inclined = onF4().closed(Restriction.SUPINE_INCLINED).situation(clear(SignCode.RUSHED));
            assertThat(new StepsBack(inclined).nearest())
                    .hasValueSatisfying(
                            back -> assertThat(back.form()).isEqualTo(fernstep.core.catalogue.RungForm.INCLINED));
        }

        @Test
        void from_a_rung_whose_load_is_not_followed_begins_at_the_easiest_and_says_no_percent() {
            for (Rung each : ShippedCatalogue.CATALOGUE.rungs()) {
                if (each.family() != null) {
                    continue;
                }
                Situation now = onF4().on(each.code()).side(null).situation(clear(SignCode.RUSHED));
                new StepsBack(now).nearest().ifPresent(back -> {
                    assertThat(back.loadChangePct()).as(each.code()).isNull();
                    assertThat(back.range())
                            .as(each.code())
                            .isEqualTo(back.rung().family() == null ? 1 : 0);
                });
            }
        }

        @Test
        void never_asks_for_more_than_now_wherever_she_stands() {
            int followed = 0;
            for (Rung each : ShippedCatalogue.CATALOGUE.rungs()) {
                for (double range : new double[] {0.2, 0.6, 1}) {
                    Situation now =
                            onF4().on(each.code()).side(null).set(range, 5.0, 6).situation(clear(SignCode.RUSHED));
                    StepsBack.To back = new StepsBack(now).nearest().orElse(null);
                    if (back != null && back.loadChangePct() != null) {
                        followed++;
                        assertThat(back.loadChangePct()).as(each.code()).isLessThanOrEqualTo(0);
                        assertThat(back.rung().indexAt(back.range(), BODY))
                                .as(each.code())
                                .isLessThanOrEqualTo(each.indexAt(range, BODY) + 1e-6);
                    }
                }
            }
            assertThat(followed).isGreaterThan(20);
        }

        /** A habit of every day is no exercise to step back to. */
        @Test
        void passes_over_what_is_done_from_day_one_upright() {
            for (Rung each : ShippedCatalogue.CATALOGUE.rungs()) {
                Situation now = onF4().on(each.code()).side(null).situation(clear(SignCode.RUSHED));
                new StepsBack(now)
                        .nearest()
                        .ifPresent(back -> assertThat(back.rung().strand() == fernstep.core.screening.Strand.UPRIGHT
                                        && back.rung().fromDayOne())
                                .as("%s to %s", each.code(), back.rung().code())
                                .isFalse());
            }
        }
    }

    @Nested
    class A_soft_ridge_that_is_tolerated {
        private final Seen ridge = slight(SignCode.DOME_SOFT);

        private Case tolerant() {
            return onF4().by(Approach.GRADED_LOAD).set(1, 20.0, 8);
        }

        @ParameterizedTest(name = "at {0} s of 20: {1}")
        @CsvSource({"9.9, EASE", "10, CARRY_ON", "15, CARRY_ON"})
        void stays_for_ten_seconds_at_most(double second, Move move) {
            assertThat(tolerant().sees(ridge.atSecond(second)).move()).isEqualTo(move);
        }

        @ParameterizedTest(name = "last time in rep {0} at {1} s, now in rep {2} at {3} s: {4}")
        @CsvSource(
                nullValues = "-",
                value = {
                    "5, -, 4, -, EASE",
                    "5, -, 5, -, CARRY_ON",
                    // the same repetition, sooner in it
                    "5, 16, 5, 14, EASE",
                    "5, 14, 5, 16, CARRY_ON",
                    // a later repetition is later, whatever the second
                    "5, 16, 6, 14, CARRY_ON",
                    "-, 16, -, 14, EASE",
                    "-, 16, 3, 14, EASE",
                    "-, -, 3, 14, CARRY_ON"
                })
        void is_eased_where_it_comes_sooner_than_last_time(
                @Nullable Integer repThen,
                @Nullable Double secondThen,
                @Nullable Integer rep,
                @Nullable Double second,
                Move move) {
            Seen then = at(repThen, secondThen);
            assertThat(tolerant().lastSession(then).sees(at(rep, second)).move())
                    .isEqualTo(move);
            assertThat(tolerant()
                            .lastSession(slight(SignCode.HIP_GRIP))
                            .sees(at(rep, second))
                            .move())
                    .as("another sign tells nothing of it")
                    .isEqualTo(Move.CARRY_ON);
        }

        private Seen at(@Nullable Integer rep, @Nullable Double second) {
            Seen seen = rep == null ? ridge : ridge.inRep(rep);
            return second == null ? seen : seen.atSecond(second);
        }

        @Test
        void needs_three_sightings_one_sooner_than_the_other_to_grow() {
            assertThat(tolerant()
                            .before(1, Move.CARRY_ON, null, ridge.atSecond(18))
                            .sees(ridge.inRep(2).atSecond(16))
                            .move())
                    .isEqualTo(Move.CARRY_ON);
            assertThat(tolerant()
                            .before(1, Move.CARRY_ON, null, ridge)
                            .before(2, Move.CARRY_ON, null, ridge.atSecond(16))
                            .sees(ridge.inRep(3).atSecond(14))
                            .move())
                    .as("when it came the first time nobody knows")
                    .isEqualTo(Move.CARRY_ON);
            assertThat(tolerant()
                            .before(1, Move.CARRY_ON, null, ridge.atSecond(11))
                            .before(2, Move.CARRY_ON, null, ridge.atSecond(18))
                            .before(3, Move.CARRY_ON, null, ridge.atSecond(16))
                            .sees(ridge.inRep(4).atSecond(14))
                            .move())
                    .as("the last three count")
                    .isEqualTo(Move.EASE);
        }

        @Test
        void is_never_one_in_pregnancy() {
            assertThat(tolerant().pregnant().sees(ridge).move()).isNotEqualTo(Move.CARRY_ON);
        }
    }
}
