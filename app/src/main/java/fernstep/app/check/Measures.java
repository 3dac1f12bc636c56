package fernstep.app.check;

import fernstep.core.findings.FloatTest;
import fernstep.core.measure.Side;
import fernstep.core.progress.ChangeReport.Found;
import fernstep.core.progress.ChangeReport.Key;
import fernstep.core.progress.ChangeReport.Observation;
import fernstep.core.progress.Measure;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** The findings of a visit as numbers that can be followed. */
final class Measures {
    /** The five tries of the float test are told as one score. */
    private static final Set<FindingField> TOLD_ELSEWHERE = EnumSet.copyOf(FindingField.floatTries());

    private Measures() {}

    static Found found(Map<String, String> values) {
        return new Found(of(values), codes(values));
    }

    private static Map<Observation, String> codes(Map<String, String> values) {
        Map<Observation, String> all = new HashMap<>();
        for (FindingField field : FindingField.values()) {
            if (field.range() != null || field.choices().isEmpty() || TOLD_ELSEWHERE.contains(field)) {
                continue;
            }
            for (String side : field.perSide() ? List.of(Side.LEFT.name(), Side.RIGHT.name()) : List.of("")) {
                String value = values.get(CheckSheet.key(field, side));
                if (value != null) {
                    all.put(new Observation(field.name(), side.isEmpty() ? null : Side.valueOf(side)), value);
                }
            }
        }
        return all;
    }

    static Map<Key, Double> of(Map<String, String> values) {
        Map<Key, Double> all = new HashMap<>();
        for (Side side : Side.values()) {
            put(all, Measure.SET_GRADE, side, values.get(CheckSheet.key(FindingField.SET_GRADE, side.name())));
            put(all, Measure.SET_HOLD_S, side, values.get(CheckSheet.key(FindingField.SET_HOLD_S, side.name())));
            FloatTest test = CheckSheet.floatTest(values, side);
            if (test.tried()) {
                all.put(new Key(Measure.FLOAT_SCORE, side), (double) test.score());
            }
        }
        put(all, Measure.TOLERANCE_BREATHS, null, plain(values, FindingField.TOLERANCE_BREATHS));
        put(all, Measure.FLOOR_HOLD_S, null, plain(values, FindingField.PF_HOLD_S));
        put(all, Measure.QUICK_LIFTS, null, plain(values, FindingField.PF_QUICK));
        put(all, Measure.HOVER_S, null, plain(values, FindingField.HOVER_S));
        String in = plain(values, FindingField.RIB_IN_CM);
        String out = plain(values, FindingField.RIB_OUT_CM);
        if (in != null && out != null) {
            all.put(new Key(Measure.RIB_EXCURSION_CM, null), Double.parseDouble(in) - Double.parseDouble(out));
        }
        String marks = plain(values, FindingField.ALIGNMENT_POINTS);
        if (marks != null) {
            all.put(
                    new Key(Measure.RIB_OFFSET_MM, null),
                    Landmarks.of(marks).alignment().ribOffsetMm());
            all.put(
                    new Key(Measure.TILT_DEG, null),
                    Landmarks.of(marks).alignment().tiltDeg());
        }
        String ridge = plain(values, FindingField.DOME_POINTS);
        if (ridge != null) {
            all.put(
                    new Key(Measure.DOME_HEIGHT_MM, null),
                    Landmarks.of(ridge).profile().heightMm());
        }
        return all;
    }

    private static @Nullable String plain(Map<String, String> values, FindingField field) {
        return values.get(CheckSheet.key(field, ""));
    }

    private static void put(Map<Key, Double> all, Measure measure, @Nullable Side side, @Nullable String value) {
        if (value != null) {
            all.put(new Key(measure, side), Double.parseDouble(value));
        }
    }
}
