package fernstep.app.check;

import fernstep.core.findings.FloatTest;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Side;
import fernstep.core.separation.Condition;
import fernstep.core.separation.Separation;
import fernstep.core.separation.SiteResult;
import fernstep.core.separation.Width;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * One visit's checks as the page shows them.
 *
 * @param values today's findings by {@link #key}
 * @param earlier the newest findings before today, by {@link #key}
 */
public record CheckSheet(
        List<ReadingRow> now,
        List<ReadingRow> before,
        Separation separation,
        @Nullable Separation previous,
        Map<String, String> values,
        Map<String, String> earlier) {

    public static final List<Double> SITES_CM = List.of(5.0, 2.0, 0.0, -2.0, -5.0);
    private static final double ODD_DIFFERENCE_MM = 20;

    public static String key(FindingField field, String side) {
        return field + "/" + side;
    }

    static FloatTest floatTest(Map<String, String> values, Side side) {
        Map<Integer, FloatTest.Try> tries = new HashMap<>();
        for (FindingField field : FindingField.floatTries()) {
            String value = values.get(key(field, side.name()));
            if (value != null) {
                tries.put(FindingField.floatTries().indexOf(field) + 1, FloatTest.Try.valueOf(value));
            }
        }
        return new FloatTest(tries);
    }

    public Map<Side, FloatTest> floatTests() {
        Map<Side, FloatTest> tests = new EnumMap<>(Side.class);
        for (Side side : Side.values()) {
            tests.put(side, floatTest(values, side));
        }
        return tests;
    }

    public List<Double> sites() {
        return SITES_CM;
    }

    public Condition[] conditions() {
        return Condition.values();
    }

    public String siteName(double site) {
        return site == 0 ? "navel" : (site > 0 ? "+" : "−") + Numbers.plain(Math.abs(site)) + " cm";
    }

    /** The value typed today, "" where there is none. */
    public String typed(double site, Condition condition) {
        return text(now, site, condition);
    }

    public String last(double site, Condition condition) {
        return text(before, site, condition);
    }

    private static String text(List<ReadingRow> rows, double site, Condition condition) {
        return rows.stream()
                .filter(r -> r.siteCm() == site && r.conditionCode() == condition)
                .findFirst()
                .map(r -> ReadingRow.values(r.readingValues()).stream()
                        .map(Numbers::plain)
                        .collect(Collectors.joining(" ")))
                .orElse("");
    }

    public @Nullable Width width(double site, Condition condition) {
        return separation.widths().stream()
                .filter(w -> w.reading().siteCm() == site && w.reading().condition() == condition)
                .findFirst()
                .orElse(null);
    }

    public @Nullable SiteResult site(double site) {
        return separation.sites().stream()
                .filter(s -> s.siteCm() == site)
                .findFirst()
                .orElse(null);
    }

    public String value(String field, String side) {
        return values.getOrDefault(field + "/" + side, "");
    }

    public String earlierValue(String field, String side) {
        return earlier.getOrDefault(field + "/" + side, "");
    }

    /** Null with fewer than two sites. */
    public @Nullable Double areaMm2(Condition condition) {
        return Optional.ofNullable(separation.profiles().get(condition))
                .flatMap(p -> p.areaMm2())
                .orElse(null);
    }

    public boolean floatTried() {
        return floatTests().values().stream().anyMatch(FloatTest::tried);
    }

    /** Sites where the rest width is so much narrower than the lift that it may be a slip. */
    public List<Double> oddSites() {
        return SITES_CM.stream()
                .filter(site -> {
                    Width rest = width(site, Condition.REST);
                    Width lift = width(site, Condition.HEAD_LIFT);
                    return rest != null && lift != null && lift.mm() - rest.mm() > ODD_DIFFERENCE_MM;
                })
                .toList();
    }

    public MidlineDrawing drawing() {
        return MidlineDrawing.of(separation, previous);
    }

    public boolean allCalibrated() {
        return separation.widths().stream().allMatch(Width::calibrated);
    }
}
