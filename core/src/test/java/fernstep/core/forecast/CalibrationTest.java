package fernstep.core.forecast;

import static fernstep.core.forecast.ForecastTest.TODAY;
import static fernstep.core.forecast.ForecastTest.known;
import static fernstep.core.forecast.ForecastTest.place;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.forecast.Forecast.Counts;
import fernstep.core.screening.Strand;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/**
 * Whether the band of a forecast holds as many outcomes as it says, for invented women whose chance of a clean session is
 * not what it was. They train by a telling of the rules that shares nothing with the forecast: two clean sessions are one
 * step of 6, 8, 10 repetitions, then the next exercise; two that had to be made easier are one back.
 */
class CalibrationTest {
    private static final int WOMEN_OF_A_KIND = 50;
    private static final int WEEKS = 26;
    private static final int DOSES = 3;
    private static final double COMES = 0.75;
    private static final Set<DayOfWeek> FIVE_DAYS = EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY);

    /** Chance of a clean session in a week from now; before it, as in week 0. */
    private enum Kind {
        STEADY {
            @Override
            double clean(int week) {
                return 0.75;
            }
        },
        STRUGGLES {
            @Override
            double clean(int week) {
                return 0.5;
            }
        },
        LEARNS {
            @Override
            double clean(int week) {
                return Math.min(0.9, 0.45 + 0.06 * week);
            }
        },
        BAD_PHASE {
            @Override
            double clean(int week) {
                return week >= 1 && week <= 4 ? 0.3 : 0.8;
            }
        };

        abstract double clean(int week);
    }

    /** Days until the next exercise is begun and until the one after; beyond the last week where neither is. */
    private static int[] lives(Kind kind, Random random) {
        int[] begun = {Integer.MAX_VALUE, Integer.MAX_VALUE};
        int exercise = 0;
        int dose = 0;
        int clean = 0;
        int eased = 0;
        for (int day = 1; day <= 7 * WEEKS && exercise < 2; day++) {
            boolean trains = FIVE_DAYS.contains(TODAY.plusDays(day).getDayOfWeek()) && random.nextDouble() < COMES;
            if (!trains) {
                continue;
            }
            if (random.nextDouble() < kind.clean((day - 1) / 7)) {
                eased = 0;
                clean++;
                if (clean == 2) {
                    clean = 0;
                    dose++;
                }
                if (dose == DOSES) {
                    dose = 0;
                    begun[exercise++] = day;
                }
            } else {
                clean = 0;
                eased++;
                if (eased == 2) {
                    eased = 0;
                    dose = Math.max(0, dose - 1);
                }
            }
        }
        return begun;
    }

    private static Counts lately(double chance, int sessions, Random random) {
        int yes = 0;
        for (int session = 0; session < sessions; session++) {
            yes += random.nextDouble() < chance ? 1 : 0;
        }
        return new Counts(yes, sessions - yes);
    }

    private static Forecast told(Kind kind, long seed, Random random) {
        return Forecast.of(new Forecast.Question(
                ShippedCatalogue.CATALOGUE,
                DoseStance.MASTERY_REPS,
                new Forecast.Start(
                        List.of(place(Strand.BACK_LINE, null, "BK1", 6, null, null)),
                        known(400),
                        List.of(Set.of(Strand.BACK_LINE)),
                        1,
                        FIVE_DAYS,
                        null),
                new Forecast.TrackRecord(
                        lately(COMES, 15, random),
                        Map.of(Strand.BACK_LINE, lately(kind.clean(0), 8, random)),
                        Counts.NONE),
                new Forecast.Horizon(TODAY, WEEKS, 200, seed),
                null,
                null));
    }

    private static boolean within(Forecast.Quantiles band, int days) {
        return days >= days(band.p10()) && days <= days(band.p90());
    }

    private static int days(@Nullable LocalDate day) {
        return day == null ? Integer.MAX_VALUE : (int) (day.toEpochDay() - TODAY.toEpochDay());
    }

    @Test
    void the_band_from_10_to_90_holds_75_to_90_of_100_outcomes_of_women_who_change() {
        Random random = new Random(17);
        int held = 0;
        int all = 0;
        for (Kind kind : Kind.values()) {
            int[] heldOf = new int[2];
            for (int woman = 0; woman < WOMEN_OF_A_KIND; woman++) {
                Forecast forecast = told(kind, woman, random);
                int[] lived = lives(kind, random);
                for (int next = 0; next < 2; next++) {
                    Forecast.Quantiles band = ForecastTest.route(forecast, "BK" + (2 + next), null)
                            .opens();
                    heldOf[next] += within(band, lived[next]) ? 1 : 0;
                }
            }
            System.out.printf(
                    "calibration, %s: next rung %d %%, the one after %d %%%n",
                    kind, 100 * heldOf[0] / WOMEN_OF_A_KIND, 100 * heldOf[1] / WOMEN_OF_A_KIND);
            held += heldOf[0] + heldOf[1];
            all += 2 * WOMEN_OF_A_KIND;
        }
        System.out.printf("calibration, all: %d %%%n", 100 * held / all);
        assertThat((double) held / all).isBetween(0.75, 0.90);
    }
}
