package fernstep.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import fernstep.core.ShippedCatalogue;
import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances;
import fernstep.core.body.Body;
import fernstep.core.body.Capacity;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.CatalogueStrand;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.measure.Side;
import fernstep.core.plan.Dose;
import fernstep.core.plan.DoseRules;
import fernstep.core.plan.RungGates;
import fernstep.core.progress.Progress.Day;
import fernstep.core.progress.Progress.DayAfter;
import fernstep.core.progress.Progress.GrowFirst;
import fernstep.core.progress.Progress.Place;
import fernstep.core.progress.SessionResult.Kind;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How long perfect work takes at the least: every session clean and as hard as wanted, five days a week, every gate open. */
class ShortestWayTest {
    private static final Catalogue CATALOGUE = ShippedCatalogue.CATALOGUE;
    private static final Body BODY = Body.of(68.0, 165.0);
    private static final LocalDate MONDAY = LocalDate.of(2031, 1, 6);
    private static final int MOST_SESSIONS = 400;
    /** The finest step there is: what is led by the breath takes one more than sixty sessions hold. */
    private static final int SESSIONS_OF_A_NOTCH = 2;

    private static final Findings EVERYTHING_FOUND = Findings.NONE
            .with(new Findings.Pressure(Observed.Cough.DRAWS_IN, null, Observed.Doming.NONE))
            .with(new Findings.DeepCore(Map.of(Side.LEFT, 5, Side.RIGHT, 5), 12, Map.of()))
            .with(Findings.HandsAndKnees.scoop(Observed.Scoop.YES));
    private static final RungGates.History YEARS =
            new RungGates.History(104, CATALOGUE.rungs().stream().collect(Collectors.toMap(Rung::code, rung -> 104)));

    private static LocalDate day(int session) {
        return MONDAY.plusDays(7L * (session / 5) + session % 5);
    }

    /** Sessions until each rung of the strand is begun, from its first one. */
    private static Map<String, Integer> begun(CatalogueStrand strand, Stances stances) {
        Set<RungGates.Done> done = CATALOGUE.rungs().stream()
                .map(other -> new RungGates.Done(other.code(), null))
                .collect(Collectors.toSet());
        RungGates.Known known = new RungGates.Known(CATALOGUE, null, null, EVERYTHING_FOUND, null, done, YEARS);
        Rung rung = strand.mainLine().get(0);
        Dose dose = DoseRules.first(rung, stances.dose());
        double range = 1;
        List<SessionResult> log = new ArrayList<>();
        List<Capacity.Clean> held = new ArrayList<>();
        Map<String, Integer> begun = new LinkedHashMap<>();
        for (int session = 0; session < MOST_SESSIONS; session++) {
            begun.putIfAbsent(rung.code(), session);
            Side side = rung.perSide() ? Side.LEFT : null;
            log.add(new SessionResult(day(session), Kind.CLEAN, 3, List.of()));
            if (rung.family() != null) {
                held.add(new Capacity.Clean(day(session), rung.family(), side, rung.indexAt(range, BODY), null));
            }
            LocalDate next = day(session).plusDays(1);
            Progress progress = Progress.of(new Progress.Question(
                    CATALOGUE,
                    new Place(
                            rung,
                            side,
                            dose,
                            DoseRules.window(rung.window(), stances.dose()),
                            RangeGrowth.of(
                                    CATALOGUE,
                                    rung,
                                    side,
                                    range,
                                    BODY,
                                    held,
                                    Capacity.USUAL_STEP,
                                    GrowFirst.REPS,
                                    next),
                            0,
                            false),
                    stances.dose(),
                    log,
                    new Day(next, null, false, false, false, new DayAfter(false, 0, null)),
                    known));
            if (progress.change().moves()) {
                rung = CATALOGUE.rung(progress.rung());
                dose = progress.dose();
                range = progress.range();
                log.clear();
            }
        }
        return begun;
    }

    @ParameterizedTest
    @CsvSource({"F1, F8, 12", "BR1, BR5, 12", "DC1, DC5, 12"})
    void perfect_work_is_at_the_top_within_twelve_weeks_whoever_leads_it(String first, String last, int weeks) {
        CatalogueStrand strand =
                CATALOGUE.strand(CATALOGUE.rung(first).strand()).orElseThrow();
        for (Approach approach : Approach.values()) {
            Map<String, Integer> begun = begun(strand, approach.stances());
            System.out.println("shortest way, sessions until begun, " + approach + ": " + begun);
            assertThat(begun).as(approach.name()).containsKey(last);
            assertThat(begun.get(last)).as(approach.name()).isLessThanOrEqualTo(5 * weeks + SESSIONS_OF_A_NOTCH);
        }
    }
}
