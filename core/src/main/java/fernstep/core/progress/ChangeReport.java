package fernstep.core.progress;

import fernstep.core.findings.Recorded;
import fernstep.core.measure.Numbers;
import fernstep.core.measure.Reason;
import fernstep.core.measure.Side;
import fernstep.core.measure.Symmetry;
import fernstep.core.separation.AreaChange;
import fernstep.core.separation.Condition;
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
public record ChangeReport(
        Separation separation, List<Change> changes, List<CodeChange> codeChanges, List<SymmetryChange> symmetry) {
    private static final double WANTED_SHARE = 1.96;

    /** A measure, and its side where it has one. */
    public record Key(Measure measure, @Nullable Side side) {}

    /** Higher, lower, or within the error of measurement. */
    public enum Direction {
        HIGHER,
        LOWER,
        NO_REAL_CHANGE
    }

    /**
     * One measure on both visits, in its unit.
     *
     * @param before in the unit of the measure
     * @param now in the unit of the measure
     * @param smallestReal what a difference must exceed to be real, in the same unit, from 0
     */
    public record Change(Key key, double before, double now, double smallestReal, Direction direction) {}

    /** A check that is answered with a code, and its side where it has one. */
    public record Observation(String check, @Nullable Side side) {}

    /** A check answered on both visits; another answer is a change, since codes have no error of their own. */
    public record CodeChange(Observation of, String before, String now) {
        public boolean changed() {
            return !before.equals(now);
        }
    }

    /**
     * How alike the sides were on both visits, (R − L)/max from −1 to 1.
     *
     * @param smallestReal from the measure's own error carried through the index
     */
    public record SymmetryChange(Measure measure, Symmetry before, Symmetry now, double smallestReal) {
        public double moreAlikeBy() {
            return Math.abs(before.index()) - Math.abs(now.index());
        }

        public boolean real() {
            return Math.abs(moreAlikeBy()) > smallestReal;
        }
    }

    /** What one visit found: numbers and codes. */
    public record Found(Map<Key, Double> numbers, Map<Observation, String> codes) {
        public Found {
            numbers = Map.copyOf(numbers);
            codes = Map.copyOf(codes);
        }

        /** What is followed of one visit's findings. */
        public static Found of(Recorded recorded) {
            return new Found(Followed.numbers(recorded), Followed.codes(recorded));
        }
    }

    public static ChangeReport of(Separation comparedWithBefore, Found before, Found now) {
        return new ChangeReport(
                comparedWithBefore,
                numbers(before.numbers(), now.numbers()),
                codes(before.codes(), now.codes()),
                symmetries(before.numbers(), now.numbers()));
    }

    private static List<CodeChange> codes(Map<Observation, String> before, Map<Observation, String> now) {
        return now.entrySet().stream()
                .filter(entry -> before.containsKey(entry.getKey()))
                .map(entry -> new CodeChange(
                        entry.getKey(), Objects.requireNonNull(before.get(entry.getKey())), entry.getValue()))
                .sorted(Comparator.comparing((CodeChange change) -> change.of().check())
                        .thenComparing(change -> String.valueOf(change.of().side())))
                .toList();
    }

    private static List<SymmetryChange> symmetries(Map<Key, Double> before, Map<Key, Double> now) {
        List<SymmetryChange> all = new ArrayList<>();
        for (Measure measure : Measure.values()) {
            Symmetry then = sides(measure, before);
            Symmetry today = sides(measure, now);
            if (then != null && today != null) {
                all.add(new SymmetryChange(measure, then, today, smallestReal(measure, then, today)));
            }
        }
        return List.copyOf(all);
    }

    private static @Nullable Symmetry sides(Measure measure, Map<Key, Double> numbers) {
        Double left = numbers.get(new Key(measure, Side.LEFT));
        Double right = numbers.get(new Key(measure, Side.RIGHT));
        return left == null || right == null ? null : new Symmetry(left, right);
    }

    /**
     * Both sides carry the measure's error, so the index carries √2·error/larger side on each visit; a measure in whole
     * steps changes its index by at least one step over the larger side, which must be passed by half.
     */
    private static double smallestReal(Measure measure, Symmetry before, Symmetry now) {
        double largerBefore = Math.max(1, Math.max(before.left(), before.right()));
        double largerNow = Math.max(1, Math.max(now.left(), now.right()));
        return measure.inWholeSteps()
                ? 0.5 / Math.max(largerBefore, largerNow)
                : WANTED_SHARE * Math.sqrt(2) * measure.sem() * Math.hypot(1 / largerBefore, 1 / largerNow);
    }

    private static List<Change> numbers(Map<Key, Double> before, Map<Key, Double> now) {
        List<Change> changes = now.entrySet().stream()
                .filter(entry -> before.containsKey(entry.getKey()))
                .map(entry ->
                        change(entry.getKey(), Objects.requireNonNull(before.get(entry.getKey())), entry.getValue()))
                .sorted(Comparator.comparing((Change change) -> change.key().measure())
                        .thenComparing(change -> String.valueOf(change.key().side())))
                .toList();
        return changes;
    }

    private static Change change(Key key, double before, double now) {
        double difference = now - before;
        Direction real = difference > 0 ? Direction.HIGHER : Direction.LOWER;
        Direction direction = key.measure().real(difference) ? real : Direction.NO_REAL_CHANGE;
        return new Change(key, before, now, key.measure().smallestRealChange(), direction);
    }

    public List<Width> comparedWidths() {
        return separation.widths().stream()
                .filter(width -> width.change() != null)
                .toList();
    }

    /** Whether anything was measured on both visits. */
    public boolean comparesAnything() {
        return !changes.isEmpty() || !codeChanges.isEmpty() || !comparedWidths().isEmpty();
    }

    /** What can be said to her, in plain words: the gap first, then what went forward and what went back. */
    public List<Reason> forHer() {
        List<Reason> said = new ArrayList<>();
        AreaChange gap = separation.areaChanges().get(Condition.REST);
        AreaChange lifted = separation.areaChanges().get(Condition.HEAD_LIFT);
        if (gap != null) {
            said.add(Reason.of("forHer.gap." + gap.kind()));
        }
        if (lifted != null && (gap == null || lifted.kind() != gap.kind())) {
            said.add(Reason.of("forHer.lift." + lifted.kind()));
        }
        List<Reason> forward = new ArrayList<>();
        List<Reason> back = new ArrayList<>();
        for (Change c : changes) {
            if (c.direction() != Direction.NO_REAL_CHANGE) {
                Reason named = Reason.of(
                        c.key().side() == null ? "forHer.measure" : "forHer.measureSide",
                        Reason.of("measure." + c.key().measure()),
                        c.key().side() == null ? "" : c.key().side());
                (c.key().measure().better(c.before(), c.now()) ? forward : back).add(named);
            }
        }
        if (!forward.isEmpty()) {
            said.add(Reason.of("forHer.forward", Reason.list(forward)));
        }
        if (!back.isEmpty()) {
            said.add(Reason.of("forHer.back", Reason.list(back)));
        }
        if (forward.isEmpty() && back.isEmpty() && !changes.isEmpty()) {
            said.add(Reason.of("forHer.same"));
        }
        if (said.isEmpty()) {
            said.add(Reason.of("forHer.little"));
        }
        return List.copyOf(said);
    }

    /** The report as sentences, real changes first; no adjective without its number. */
    public List<Reason> paragraph() {
        List<Reason> sentences = new ArrayList<>();
        int unchanged = 0;
        for (Map.Entry<Condition, AreaChange> e : separation.areaChanges().entrySet()) {
            AreaChange area = e.getValue();
            sentences.add(Reason.of(
                    "report.area." + area.kind(),
                    Reason.of("condition." + e.getKey()),
                    Math.round(Math.abs(area.mm2())),
                    Math.round(area.smallestRealMm2())));
        }
        boolean headline = !sentences.isEmpty();
        for (Width w : comparedWidths()) {
            Width.Change c = Objects.requireNonNull(w.change());
            if (!c.confirmed() || c.kind() == Width.Kind.NO_REAL_CHANGE) {
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
        for (CodeChange c : codeChanges) {
            if (c.changed()) {
                sentences.add(Reason.of(
                        c.of().side() == null ? "report.code" : "report.codeSide",
                        Reason.of("field." + c.of().check()),
                        Reason.of("finding." + c.before()),
                        Reason.of("finding." + c.now()),
                        c.of().side() == null ? "" : c.of().side()));
            } else {
                unchanged++;
            }
        }
        for (SymmetryChange c : symmetry) {
            if (c.real()) {
                sentences.add(Reason.of(
                        c.moreAlikeBy() > 0 ? "report.moreAlike" : "report.lessAlike",
                        Reason.of("measure." + c.measure()),
                        Math.round(100 * Math.abs(c.before().index())),
                        Math.round(100 * Math.abs(c.now().index()))));
            } else {
                unchanged++;
            }
        }
        if (sentences.isEmpty() && !headline) {
            sentences.add(Reason.of("report.nothingReal", unchanged));
        } else if (unchanged > 0) {
            sentences.add(Reason.of("report.unchanged", unchanged));
        }
        return List.copyOf(sentences);
    }
}
