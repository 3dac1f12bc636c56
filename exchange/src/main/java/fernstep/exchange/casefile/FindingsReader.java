package fernstep.exchange.casefile;

import fernstep.core.findings.Finding;
import fernstep.core.findings.Findings;
import fernstep.core.findings.Observed;
import fernstep.core.findings.Recorded;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Range;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The findings of a case file, read by the table of findings. */
public final class FindingsReader {
    private FindingsReader() {}

    /** @throws CaseProblem for a value that the table does not allow */
    public static Findings read(CaseObject object) {
        Map<Recorded.Key, String> values = new HashMap<>();
        for (Finding finding : Finding.values()) {
            finding.caseField().ifPresent(field -> put(values, object, finding, field));
        }
        Findings findings = Recorded.of(values).findings();
        Set<Side> kept = EnumSet.noneOf(Side.class);
        Set<Side> lost = EnumSet.noneOf(Side.class);
        contacts(object, kept, lost);
        return findings.withFloats(scores(object))
                .withReaches(kept, kept, lost, findings.hoverS())
                .with(findings.shown()
                        .tilted(object.optionalNumber("tiltDeg", Range.TILT_DEG).orElse(null)));
    }

    private static void put(Map<Recorded.Key, String> values, CaseObject object, Finding finding, String field) {
        if (!finding.perSide()) {
            value(object, finding, field).ifPresent(text -> values.put(new Recorded.Key(finding, null), text));
            return;
        }
        object.optionalObject(field).ifPresent(sides -> {
            for (Side side : Side.values()) {
                value(sides, finding, name(side)).ifPresent(text -> values.put(new Recorded.Key(finding, side), text));
            }
            sides.nothingElse();
        });
    }

    private static Optional<String> value(CaseObject object, Finding finding, String field) {
        Range range = finding.range();
        if (finding.flag()) {
            return object.optionalFlag(field).map(yes -> (yes ? Observed.YesNo.YES : Observed.YesNo.NO).name());
        }
        if (range == null) {
            return object.optionalOf(field, finding.codes());
        }
        boolean whole = finding != Finding.SET_HOLD_S;
        return whole
                ? object.optionalWhole(field, range).map(String::valueOf)
                : object.optionalNumber(field, range).map(value -> Numbers.plain(Math.floor(value)));
    }

    private static Map<Side, Integer> scores(CaseObject object) {
        Map<Side, Integer> bySide = new EnumMap<>(Side.class);
        object.optionalObject("floatScore").ifPresent(sides -> {
            for (Side side : Side.values()) {
                sides.optionalWhole(name(side), Range.FLOAT_SCORE).ifPresent(number -> bySide.put(side, number));
            }
            sides.nothingElse();
        });
        return bySide;
    }

    /** A side with an empty list was tried and lost nothing; a side that is missing was not tried. */
    private static void contacts(CaseObject object, Set<Side> kept, Set<Side> lost) {
        object.optionalObject("contactsLost").ifPresent(sides -> {
            for (Side side : Side.values()) {
                List<Observed.RodContact> where = new ArrayList<>(sides.codes(name(side), Observed.RodContact.class));
                where.remove(Observed.RodContact.KEPT);
                if (sides.has(name(side))) {
                    (where.isEmpty() ? kept : lost).add(side);
                }
            }
            sides.nothingElse();
        });
    }

    private static String name(Side side) {
        return side.name().toLowerCase(Locale.ROOT);
    }
}
