package fernstep.core.progress;

import fernstep.core.findings.Finding;
import fernstep.core.findings.FloatTest;
import fernstep.core.findings.Recorded;
import fernstep.core.measure.Side;
import fernstep.core.progress.ChangeReport.Key;
import fernstep.core.progress.ChangeReport.Observation;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The findings of a visit as what can be followed: numbers with their errors, and codes. */
final class Followed {
    /** The five tries of the float test are told as one score. */
    private static final Set<Finding> TOLD_ELSEWHERE = EnumSet.copyOf(Finding.floatTries());

    private static final Map<Measure, Finding> AS_RECORDED = Map.of(
            Measure.SET_GRADE, Finding.SET_GRADE,
            Measure.SET_HOLD_S, Finding.SET_HOLD_S,
            Measure.TOLERANCE_BREATHS, Finding.TOLERANCE_BREATHS,
            Measure.FLOOR_HOLD_S, Finding.PF_HOLD_S,
            Measure.QUICK_LIFTS, Finding.PF_QUICK,
            Measure.HOVER_S, Finding.HOVER_S);

    private Followed() {}

    static Map<Observation, String> codes(Recorded recorded) {
        Map<Observation, String> all = new HashMap<>();
        for (Finding finding : Finding.values()) {
            if (finding.codes().isEmpty() || TOLD_ELSEWHERE.contains(finding)) {
                continue;
            }
            for (Side side : sides(finding)) {
                recorded.value(finding, side).ifPresent(text -> all.put(new Observation(finding.name(), side), text));
            }
        }
        return all;
    }

    static Map<Key, Double> numbers(Recorded recorded) {
        Map<Key, Double> all = new HashMap<>();
        AS_RECORDED.forEach((measure, finding) -> sides(finding)
                .forEach(side ->
                        recorded.number(finding, side).ifPresent(value -> all.put(new Key(measure, side), value))));
        for (Side side : Side.values()) {
            FloatTest test = recorded.floatTest(side);
            if (test.tried()) {
                all.put(new Key(Measure.FLOAT_SCORE, side), (double) test.score());
            }
        }
        recorded.ribExcursionCm().ifPresent(value -> all.put(new Key(Measure.RIB_EXCURSION_CM, null), value));
        recorded.alignment().ifPresent(alignment -> {
            all.put(new Key(Measure.RIB_OFFSET_MM, null), alignment.ribOffsetMm());
            all.put(new Key(Measure.TILT_DEG, null), alignment.tiltDeg());
        });
        recorded.domingProfile()
                .ifPresent(profile -> all.put(new Key(Measure.DOME_HEIGHT_MM, null), profile.heightMm()));
        return all;
    }

    /** Both sides, or null alone where the finding has none. */
    private static List<Side> sides(Finding finding) {
        return finding.perSide() ? List.of(Side.values()) : Arrays.asList((Side) null);
    }
}
