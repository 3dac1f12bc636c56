package fernstep.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.findings.Observed.Scoop;
import fernstep.core.forecast.Forecast.Change;
import fernstep.core.forecast.Forecast.Counts;
import fernstep.core.plan.Goal;
import fernstep.core.plan.Plan;
import fernstep.core.plan.Woman;
import fernstep.core.screening.Strand;
import java.time.DayOfWeek;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** A goal that a finding holds: told under the condition that the next check finds better, and never as a bare nought. */
class AwaitedCheckTest {
    private static final Counts OFTEN = new Counts(90, 10);

    private static Forecast.Question question(Woman woman, Goal goal, int weeks) {
        Plan.Question q = woman.wants(goal).question();
        Map<Strand, Counts> clean =
                Arrays.stream(Strand.values()).collect(Collectors.toMap(strand -> strand, strand -> OFTEN));
        return new Forecast.Question(
                ShippedCatalogue.CATALOGUE,
                woman.stances().dose(),
                Forecast.Start.of(q, Plan.of(q), EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY)),
                new Forecast.TrackRecord(OFTEN, clean, OFTEN),
                new Forecast.Horizon(Woman.TODAY, weeks, 200, 7),
                goal,
                null);
    }

    private static Woman cleared() {
        return Woman.weeks_after_birth(40).cleared().strong().minutes(30);
    }

    @Test
    void is_named_with_its_day_and_gives_the_chance_if_it_finds_better() {
        Forecast.Question q = question(cleared().scoop(Scoop.NO), Goal.FULL_PLANK, 104);
        Forecast f = Forecast.of(q);
        assertThat(f.awaits()).isNotNull();
        assertThat(f.awaits().by()).isAfter(Woman.TODAY);
        assertThat(f.goalChance()).isGreaterThan(0.5);
        assertThat(f.goal().p10())
                .as("nothing before the check")
                .isAfter(f.awaits().by());
        assertThat(f.routes())
                .as("what is drawn is as things are: the hover waits")
                .filteredOn(route -> route.rung().code().equals("HP4"))
                .allMatch(route -> route.opens().p50() == null);
        assertThat(Forecast.of(q.with(Set.of(Change.CHECKS_BETTER))).awaits())
                .as("switched on, it is no condition any more")
                .isNull();
    }

    @Test
    void is_not_waited_for_where_nothing_that_was_found_holds_the_goal() {
        Forecast f = Forecast.of(question(cleared(), Goal.FULL_PLANK, 26));
        assertThat(f.awaits()).isNull();
        assertThat(Forecast.possible(Change.CHECKS_BETTER, question(cleared(), Goal.FULL_PLANK, 26)))
                .isFalse();
    }

    @Test
    void helps_nobody_whom_a_pregnancy_holds() {
        Woman w = Woman.pregnant(20).strong().scoop(Scoop.NO).minutes(30);
        assertThat(Forecast.of(question(w, Goal.FULL_PLANK, 26)).awaits()).isNull();
    }
}
