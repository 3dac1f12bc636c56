package fernstep.bench;

import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.client.ClientFacts;
import fernstep.core.client.Status;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.forecast.Forecast;
import fernstep.core.forecast.Forecast.Counts;
import fernstep.core.measure.Side;
import fernstep.core.plan.Goal;
import fernstep.core.plan.Plan;
import fernstep.core.plan.Training;
import fernstep.core.plan.Wishes;
import fernstep.core.schedule.TrainingDays;
import fernstep.core.screening.Screening;
import fernstep.exchange.casefile.CataloguePackage;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** A thousand runs of 26 weeks over every open strand, budget 150 ms on one core; one plan, budget 2 ms. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class ForecastBench {
    private static final LocalDate TODAY = LocalDate.of(2031, 6, 30);

    private final Catalogue catalogue = CataloguePackage.shipped();
    private final ClientFacts facts =
            new ClientFacts(Status.GENERAL, null, List.of(), List.of(), List.of(), 168.0, 66.0, 35, Set.of());
    private final Findings findings = Findings.NONE
            .with(new Findings.Pressure(Observed.Cough.DRAWS_IN, Observed.FloorOnCough.LIFTS, Observed.Doming.NONE))
            .with(new Findings.AtRest(
                    Observed.BreathPattern.RIBS_ALL_ROUND,
                    Observed.LumbarGap.FLAT_HAND,
                    Observed.RibsOverPelvis.STACKED))
            .with(new Findings.DeepCore(Map.of(Side.LEFT, 4, Side.RIGHT, 4), 8, Map.of(Side.LEFT, 3, Side.RIGHT, 2)))
            .with(Findings.HandsAndKnees.scoop(Observed.Scoop.YES));
    private final Screening screening =
            Screening.of(Screening.Question.of(facts, List.of(), Approach.SLOW_LADDER.stances(), TODAY));
    private final Plan.Question plan = new Plan.Question(
            catalogue,
            new Plan.Her(screening, false, findings, Body.of(66.0, 168.0)),
            Training.none(TODAY),
            Wishes.of(Approach.SLOW_LADDER.stances(), 90));
    private final Forecast.Question forecast = new Forecast.Question(
            catalogue,
            Approach.SLOW_LADDER.stances().dose(),
            Forecast.Start.of(plan, Plan.of(plan), TrainingDays.of(5, Set.of())),
            new Forecast.TrackRecord(new Counts(18, 6), Map.of(), Counts.NONE),
            new Forecast.Horizon(TODAY, 26, 1000, 7),
            Goal.RUNNING_ASSESSMENT,
            null);

    @Benchmark
    public Forecast thousandRunsOf26Weeks() {
        return Forecast.of(forecast);
    }

    @Benchmark
    public Plan onePlan() {
        return Plan.of(plan);
    }
}
