package fernstep.core.catalogue;

import fernstep.core.body.LyingLegs;
import fernstep.core.findings.SignCode;
import fernstep.core.screening.Strand;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One exercise on a strand.
 *
 * @param order place on the strand from 1
 * @param perSide trained left and right apart
 * @param loaded counts as load: closed after bearing down or heaviness
 * @param poses easiest and full range; null where the body model does not apply
 * @param watch signs that matter most, first first
 * @param levers allowed ways to ease, in order
 * @param helpers what may be added, in order
 * @param branchOf the rung this is a side branch of; null on the main line
 * @param cues one line per activation stance
 */
public record Rung(
        String code,
        String name,
        Strand strand,
        int order,
        Position position,
        boolean perSide,
        boolean loaded,
        Window window,
        Tempo tempo,
        List<RungGate> gates,
        @Nullable Poses poses,
        List<SignCode> watch,
        List<Lever> levers,
        List<Helper> helpers,
        @Nullable String branchOf,
        String howTo,
        Map<String, String> cues,
        String caution) {

    /** The span of range, from easiest (0) to full (1). */
    public record Poses(LyingLegs easiest, LyingLegs full) {
        public LyingLegs at(double range) {
            return easiest.toward(full, range);
        }
    }

    public Rung {
        gates = List.copyOf(gates);
        watch = List.copyOf(watch);
        levers = List.copyOf(levers);
        helpers = List.copyOf(helpers);
        cues = Map.copyOf(cues);
    }

    public Optional<LyingLegs> legsAt(double range) {
        return Optional.ofNullable(poses).map(p -> p.at(range));
    }

    public boolean offers(Lever lever) {
        return levers.contains(lever);
    }
}
