package fernstep.bench;

import fernstep.core.approach.Approach;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Lever;
import fernstep.core.decision.Advice;
import fernstep.core.decision.Decisions;
import fernstep.core.decision.Move;
import fernstep.core.decision.RepRecord;
import fernstep.core.decision.Seen;
import fernstep.core.decision.Setting;
import fernstep.core.decision.Situation;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import fernstep.exchange.casefile.CataloguePackage;
import java.util.List;
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

/** One sign to one answer in the core; budget 20 µs. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class DecideBench {
    private final Catalogue catalogue = CataloguePackage.shipped();
    private final Situation situation = new Situation(
            catalogue,
            Approach.SLOW_LADDER.stances(),
            new Situation.Woman(false, Set.of(), Body.of(70.0, 170.0)),
            new Situation.Doing(catalogue.rung("F5"), Side.LEFT, new Setting(0.67, 5.0, 8, Set.of())),
            new Situation.Now(
                    Set.of(),
                    List.of(
                            Seen.clear(SignCode.DOME_FIRM).inRep(4),
                            Seen.slight(SignCode.BREATH_HELD).inRep(4))),
            Situation.Before.of(
                    List.of(
                            new RepRecord(1, List.of(Seen.slight(SignCode.BREATH_HELD)), Move.CUE, null),
                            new RepRecord(3, List.of(Seen.clear(SignCode.BACK_ARCHES)), Move.EASE, Lever.RAISE_RANGE)),
                    List.of(new Situation.PastLever(SignCode.DOME_FIRM, Lever.ADD_HELPER, true)),
                    List.of()));

    @Benchmark
    public Advice decide() {
        return Decisions.next(situation);
    }
}
