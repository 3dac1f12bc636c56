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
    public static Findings read(CaseObject c) {
        Map<Recorded.Key, String> values = new HashMap<>();
        for (Finding finding : Finding.values()) {
            finding.caseField().ifPresent(field -> put(values, c, finding, field));
        }
        Findings findings = Recorded.of(values).findings();
        Set<Side> kept = EnumSet.noneOf(Side.class);
        Set<Side> lost = EnumSet.noneOf(Side.class);
        contacts(c, kept, lost);
        return findings.withFloats(scores(c))
                .withReaches(kept, kept, lost, findings.hoverS())
                .with(findings.shown()
                        .tilted(c.optionalNumber("tiltDeg", Range.TILT_DEG).orElse(null)));
    }

    private static void put(Map<Recorded.Key, String> values, CaseObject c, Finding finding, String field) {
        if (!finding.perSide()) {
            value(c, finding, field).ifPresent(v -> values.put(new Recorded.Key(finding, null), v));
            return;
        }
        c.optionalObject(field).ifPresent(sides -> {
            for (Side side : Side.values()) {
                value(sides, finding, name(side)).ifPresent(v -> values.put(new Recorded.Key(finding, side), v));
            }
            sides.nothingElse();
        });
    }

    private static Optional<String> value(CaseObject c, Finding finding, String field) {
        Range range = finding.range();
        if (finding.flag()) {
            return c.optionalFlag(field).map(yes -> (yes ? Observed.YesNo.YES : Observed.YesNo.NO).name());
        }
        if (range == null) {
            return c.optionalOf(field, finding.codes());
        }
        boolean whole = finding != Finding.SET_HOLD_S;
        return whole
                ? c.optionalWhole(field, range).map(String::valueOf)
                : c.optionalNumber(field, range).map(v -> Numbers.plain(Math.floor(v)));
    }

    private static Map<Side, Integer> scores(CaseObject c) {
        Map<Side, Integer> bySide = new EnumMap<>(Side.class);
        c.optionalObject("floatScore").ifPresent(sides -> {
            for (Side side : Side.values()) {
                sides.optionalWhole(name(side), Range.FLOAT_SCORE).ifPresent(v -> bySide.put(side, v));
            }
            sides.nothingElse();
        });
        return bySide;
    }

    /** A side with an empty list was tried and lost nothing; a side that is missing was not tried. */
    private static void contacts(CaseObject c, Set<Side> kept, Set<Side> lost) {
        c.optionalObject("contactsLost").ifPresent(sides -> {
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
