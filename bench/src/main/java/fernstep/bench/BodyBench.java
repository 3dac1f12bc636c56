package fernstep.bench;

import fernstep.core.body.Body;
import fernstep.core.body.Movement;
import fernstep.core.body.Pose;
import fernstep.core.body.RangeSolver;
import fernstep.core.body.TrunkLoad;
import fernstep.core.catalogue.Catalogue;
import fernstep.exchange.casefile.CataloguePackage;
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

/** One pose to its load, budget 5 µs; one range solved, budget 100 µs. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class BodyBench {
    private final Catalogue catalogue = CataloguePackage.shipped();
    private final Body body = Body.of(70.0, 170.0);
    private final Pose lying = catalogue.rung("F7").movement().full();
    private final Pose propped = catalogue.rung("HK7").movement().full();
    private final Movement reach = catalogue.rung("F7").movement();
    private final double ceiling = 0.8 * TrunkLoad.of(body, lying).loadIndex();

    @Benchmark
    public TrunkLoad poseLying() {
        return TrunkLoad.of(body, lying);
    }

    @Benchmark
    public TrunkLoad poseOnHandsAndKnees() {
        return TrunkLoad.of(body, propped);
    }

    @Benchmark
    public RangeSolver.Answer rangeSolved() {
        return RangeSolver.solve(reach, body, ceiling);
    }
}
