package fernstep.bench;

import fernstep.core.client.Licence;
import fernstep.core.findings.SignCode;
import fernstep.core.screening.Answer;
import fernstep.core.standing.Concern;
import fernstep.core.standing.Lift;
import fernstep.core.standing.Permission;
import fernstep.core.standing.SafetyReport;
import fernstep.core.standing.Standing;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
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

/** Whether she may train, from a year of reports of which two are open; budget 50 µs. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class StandingBench {
    private static final int REPORTS = 30;
    private static final int OPEN = 2;

    private final LocalDate today = LocalDate.of(2031, 6, 30);
    private final List<SafetyReport> reports = new ArrayList<>();
    private final List<Lift> lifts = new ArrayList<>();

    public StandingBench() {
        for (int n = 1; n <= REPORTS; n++) {
            Concern concern =
                    n % 2 == 0 ? new Concern.PelvicFloor(SignCode.HEAVY, "F4") : new Concern.AskFirst(Answer.HERNIA);
            reports.add(new SafetyReport(
                    n, concern, SafetyReport.Way.HOME, today.minusDays(12L * n).atTime(9, 0), "Imogen Vale"));
            if (n > OPEN) {
                lifts.add(new Lift(
                        n,
                        Lift.Kind.SPOKEN,
                        Lift.May.AS_PLANNED,
                        Licence.THERAPIST,
                        today.minusDays(12L * n - 1).atTime(9, 0),
                        "Ilse Brandt",
                        "looked at"));
            }
        }
    }

    @Benchmark
    public Permission mayTrain() {
        return Standing.of(reports, lifts, today).mayTrain();
    }
}
