package fernstep.app.check;

import fernstep.core.findings.Alignment;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Stored findings as they are read: one that cannot be built any more is passed over and logged, and takes no page down. */
public final class FindingValues {
    private static final Logger LOG = LoggerFactory.getLogger(FindingValues.class);

    private FindingValues() {}

    static Map<String, String> byKey(List<FindingRow> rows) {
        Map<String, String> map = new HashMap<>();
        rows.forEach(r -> readable(r.name(), r.findingValue(), "visit " + r.visitId())
                .ifPresent(v -> map.put(CheckSheet.key(r.name(), r.side()), v)));
        return map;
    }

    /** @param whose told in the log */
    public static Optional<String> readable(FindingField field, String value, String whose) {
        Optional<String> canonical = field.canonical(value);
        if (canonical.isEmpty()) {
            LOG.warn("{} of {} cannot be read and is passed over", field, whose);
        }
        return canonical;
    }

    static Optional<Double> number(String canonical) {
        return Optional.of(Double.valueOf(canonical));
    }

    static Optional<Alignment> alignment(String canonical) {
        return Optional.of(Landmarks.of(canonical).alignment());
    }
}
