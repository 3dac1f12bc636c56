package fernstep.core.forecast;

import static fernstep.core.forecast.ForecastTest.DAILY;
import static fernstep.core.forecast.ForecastTest.SCOOPS;
import static fernstep.core.forecast.ForecastTest.TODAY;
import static fernstep.core.forecast.ForecastTest.known;
import static fernstep.core.forecast.ForecastTest.place;
import static fernstep.core.forecast.ForecastTest.route;
import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.KnownOf;
import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.forecast.Forecast.Counts;
import fernstep.core.forecast.Forecast.Question;
import fernstep.core.measure.Side;
import fernstep.core.plan.Goal;
import fernstep.core.plan.Place;
import fernstep.core.plan.RungGates;
import fernstep.core.screening.Strand;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** She never misses and it is always clean: then every day can be told beforehand, by the rules, on paper. */
abstract class ForecastCase {
    static final Counts ALWAYS = new Counts(200_000, 0);
    static final int RUNS = 3;

    /** What differs from one telling to the next. */
    static final class Case {
        List<Place> places = new ArrayList<>();
        RungGates.Known known = known(400);
        List<Set<Strand>> sessions = List.of();
        int size = 6;
        Set<DayOfWeek> days = DAILY;

        @Nullable
        LocalDate recheck;

        @Nullable
        Goal goal;

        @Nullable
        LocalDate goalDate;

        int weeks = 26;

        Case at(Place... stands) {
            places = List.of(stands);
            return this;
        }

        Question question() {
            Set<Strand> trained = places.stream().map(Place::strand).collect(Collectors.toSet());
            Map<Strand, Counts> clean = new EnumMap<>(Strand.class);
            Arrays.stream(Strand.values()).forEach(strand -> clean.put(strand, ALWAYS));
            return new Question(
                    ShippedCatalogue.CATALOGUE,
                    DoseStance.MASTERY_REPS,
                    new Forecast.Start(
                            places, known, sessions.isEmpty() ? List.of(trained) : sessions, size, days, recheck),
                    new Forecast.TrackRecord(ALWAYS, clean, ALWAYS),
                    new Forecast.Horizon(TODAY, weeks, RUNS, 1),
                    goal,
                    goalDate);
        }

        Forecast forecast() {
            return Forecast.of(question());
        }

        /** In how many days it opens; the same in every run. */
        @Nullable
        Integer opens(String rung, @Nullable Side side) {
            Forecast.Quantiles opens = route(forecast(), rung, side).opens();
            assertThat(opens.p10()).isEqualTo(opens.p90());
            LocalDate day = opens.p50();
            return day == null ? null : (int) (day.toEpochDay() - TODAY.toEpochDay());
        }
    }

    static Place f1(Side side) {
        return place(Strand.LEG_FLOAT, side, "F1", 5, null, null);
    }

    static Case floats() {
        return new Case().at(f1(Side.LEFT), f1(Side.RIGHT));
    }

    static RungGates.Known done(String... rungs) {
        RungGates.Known k = known(400);
        return KnownOf.her(
                k.screening(),
                false,
                SCOOPS,
                Arrays.stream(rungs).map(rung -> new RungGates.Done(rung, null)).collect(Collectors.toSet()));
    }
}
