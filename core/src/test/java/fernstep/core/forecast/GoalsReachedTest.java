package fernstep.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.approach.Approach;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Side;
import fernstep.core.plan.Goal;
import fernstep.core.plan.Plan;
import fernstep.core.plan.Woman;
import java.time.DayOfWeek;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Who is cleared and clean in every test comes to each goal within a year more often than not, whoever leads her. */
class GoalsReachedTest {
    private static final Set<DayOfWeek> FIVE_DAYS = EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY);
    private static final int WEEKS = 52;
    private static final int RUNS = 200;

    private static Woman clean(Approach approach, Goal goal) {
        return Woman.weeks_after_birth(30)
                .cleared()
                .grade(5, 5)
                .breaths(12)
                .cough(Observed.Cough.DRAWS_IN)
                .pattern(Observed.BreathPattern.RIBS_ALL_ROUND)
                .floats(5, 5)
                .gap(Observed.LumbarGap.FLAT_HAND)
                .ribs(Observed.RibsOverPelvis.STACKED)
                .ridge(Observed.Doming.NONE)
                .scoop(Observed.Scoop.YES)
                .reaches(EnumSet.allOf(Side.class), EnumSet.allOf(Side.class))
                .hovers(12)
                .holds(12, 12)
                .floor(Observed.FloorLift.LIFTS, Observed.LetGo.FULLY)
                .by(approach)
                .minutes(20)
                .days(5)
                .wants(goal);
    }

    static Stream<Arguments> everyGoalByEveryApproach() {
        return Stream.of(Approach.values())
                .flatMap(approach -> Stream.of(Goal.values()).map(goal -> Arguments.of(approach, goal)));
    }

    @ParameterizedTest
    @MethodSource("everyGoalByEveryApproach")
    void the_goal_is_more_likely_than_not(Approach approach, Goal goal) {
        Plan.Question question = clean(approach, goal).question();
        List<Rung> leftOut = goal.rungs(question.catalogue()).stream()
                .map(question.catalogue()::rung)
                .filter(question.known()::leavesOut)
                .toList();
        Forecast forecast = Forecast.of(new Forecast.Question(
                question.catalogue(),
                approach.stances().dose(),
                Forecast.Start.of(question, Plan.of(question), FIVE_DAYS),
                Forecast.TrackRecord.NONE,
                new Forecast.Horizon(Woman.TODAY, WEEKS, RUNS, 1),
                goal,
                null));
        System.out.printf("goal within a year, %s, %s: %s%n", approach, goal, forecast.goalChance());
        if (leftOut.isEmpty()) {
            assertThat(forecast.goalChance()).isGreaterThan(0.5);
        }
    }
}
