package fernstep.app.check;

import fernstep.core.findings.Finding;
import fernstep.core.findings.Recorded;
import fernstep.core.measure.Side;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Stored findings as they are read: one that cannot be built any more is passed over and logged, and takes no page down. */
public final class FindingValues {
    private static final Logger LOG = LoggerFactory.getLogger(FindingValues.class);

    private FindingValues() {}

    static Recorded recorded(List<FindingRow> rows) {
        Map<Recorded.Key, String> values = new HashMap<>();
        rows.forEach(row -> put(values, row.name(), row.side(), row.findingValue(), "visit " + row.visitId()));
        return Recorded.of(values);
    }

    /** @param whose told in the log */
    public static void put(Map<Recorded.Key, String> values, Finding finding, String side, String value, String whose) {
        if (finding.canonical(value).isEmpty()) {
            LOG.warn("{} of {} cannot be read and is passed over", finding, whose);
        } else {
            values.put(new Recorded.Key(finding, side.isEmpty() ? null : Side.valueOf(side)), value);
        }
    }
}
