package fernstep.core.progress;

import fernstep.core.measure.Numbers;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.separation.Separation;
import fernstep.core.separation.Width;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * What truly changed between two visits: every measure taken on both, each against its smallest real change.
 *
 * @param separation of the later visit, compared with the earlier one
 */
public record ChangeReport(Separation separation, List<Change> changes) {

    /** A measure, and its side where it has one. */
    public record Key(Measure measure, @Nullable Side side) {}

    /** Higher, lower, or within the error of measurement. */
    public enum Direction {
        HIGHER,
        LOWER,
        NO_REAL_CHANGE
    }

    /** One measure on both visits, in its unit. */
    public record Change(Key key, double before, double now, double smallestReal, Direction direction) {}

    public static ChangeReport of(Separation comparedWithBefore, Map<Key, Double> before, Map<Key, Double> now) {
        List<Change> changes = now.entrySet().stream()
                .filter(e -> before.containsKey(e.getKey()))
                .map(e -> change(e.getKey(), Objects.requireNonNull(before.get(e.getKey())), e.getValue()))
                .sorted(Comparator.comparing((Change c) -> c.key().measure())
                        .thenComparing(c -> String.valueOf(c.key().side())))
                .toList();
        return new ChangeReport(comparedWithBefore, changes);
    }

    private static Change change(Key key, double before, double now) {
        double difference = now - before;
        Direction direction = !key.measure().real(difference)
                ? Direction.NO_REAL_CHANGE
                : difference > 0 ? Direction.HIGHER : Direction.LOWER;
        return new Change(key, before, now, key.measure().smallestRealChange(), direction);
    }

    public List<Width> comparedWidths() {
        return separation.widths().stream().filter(w -> w.change() != null).toList();
    }

    /** Whether anything was measured on both visits. */
    public boolean comparesAnything() {
        return !changes.isEmpty() || !comparedWidths().isEmpty();
    }

    /** The report as sentences, real changes first; no adjective without its number. */
    public List<Reason> paragraph() {
        List<Reason> sentences = new ArrayList<>();
        int unchanged = 0;
        for (Width w : comparedWidths()) {
            Width.Change c = Objects.requireNonNull(w.change());
            if (c.kind() == Width.Kind.NO_REAL_CHANGE) {
                unchanged++;
            } else {
                sentences.add(Reason.of(
                        "report.width." + c.kind(),
                        Reason.of("condition." + w.reading().condition()),
                        w.reading().siteCm(),
                        Numbers.rounded(w.mm() - c.mm(), 1),
                        Numbers.rounded(w.mm(), 1),
                        Numbers.rounded(c.smallestRealMm(), 1)));
            }
        }
        for (Change c : changes) {
            if (c.direction() == Direction.NO_REAL_CHANGE) {
                unchanged++;
            } else {
                sentences.add(Reason.of(
                        c.key().side() == null ? "report.value" : "report.valueSide",
                        Reason.of("measure." + c.key().measure()),
                        Numbers.rounded(c.before(), 1),
                        Numbers.rounded(c.now(), 1),
                        c.key().measure().unit(),
                        c.key().side() == null ? "" : c.key().side()));
            }
        }
        if (sentences.isEmpty()) {
            sentences.add(Reason.of("report.nothingReal", unchanged));
        } else if (unchanged > 0) {
            sentences.add(Reason.of("report.unchanged", unchanged));
        }
        return List.copyOf(sentences);
    }
}
