package fernstep.core.separation;

import fernstep.core.measure.MeasurementError;
import fernstep.core.measure.MonotoneCubic;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;

/**
 * The area of the gap now against before, over the sites read both times: one number for the headline.
 *
 * @param mm2 now − before
 * @param smallestRealMm2 by the errors of the readings, carried through the curve; what a visit shares adds up over its
 *     sites
 */
public record AreaChange(double mm2, double smallestRealMm2, Width.Kind kind) {
    private static final double MM_PER_CM = 10;
    private static final double NUDGE_MM = 0.5;

    /** A difference with the errors of both visits, not judged yet. */
    record Compared(double mm2, double errorNowMm2, double errorThenMm2) {
        double chance() {
            return MeasurementError.chance(mm2, errorNowMm2, errorThenMm2);
        }

        AreaChange alone() {
            return judged(MeasurementError.smallestRealChange(errorNowMm2, errorThenMm2));
        }

        AreaChange asStrongerOfTwo() {
            return judged(MeasurementError.smallestRealOfTwo(errorNowMm2, errorThenMm2));
        }

        private AreaChange judged(double limitMm2) {
            return new AreaChange(mm2, limitMm2, Width.kind(mm2, limitMm2));
        }
    }

    /** Those of one visit judged together (Holm): the weaker is only asked once the stronger stands. */
    static Map<Condition, AreaChange> together(Map<Condition, Compared> compared) {
        Map<Condition, AreaChange> judged = new EnumMap<>(Condition.class);
        List<Map.Entry<Condition, Compared>> strongestFirst = compared.entrySet().stream()
                .sorted(Comparator.comparingDouble(entry -> entry.getValue().chance()))
                .toList();
        boolean stands = true;
        for (int i = 0; i < strongestFirst.size(); i++) {
            Compared one = strongestFirst.get(i).getValue();
            boolean last = i == strongestFirst.size() - 1;
            AreaChange change = last && stands ? one.alone() : one.asStrongerOfTwo();
            stands = change.kind() != Width.Kind.NO_REAL_CHANGE;
            judged.put(strongestFirst.get(i).getKey(), change);
        }
        return judged;
    }

    /** Empty with fewer than two sites in common. */
    static Optional<Compared> of(
            List<Width> now, Examiner examiner, List<Width> before, Examiner examinerThen, Condition condition) {
        TreeMap<Double, Width> a = bySite(now, condition);
        TreeMap<Double, Width> b = bySite(before, condition);
        a.keySet().retainAll(b.keySet());
        b.keySet().retainAll(a.keySet());
        if (a.size() < 2) {
            return Optional.empty();
        }
        boolean others = examiner.differsFrom(examinerThen);
        Side sideNow = new Side(a, examiner, others);
        Side sideThen = new Side(b, examinerThen, others);
        double difference = sideNow.area - sideThen.area;
        Method method = a.firstEntry().getValue().reading().method();
        Method methodThen = b.firstEntry().getValue().reading().method();
        return Optional.of(new Compared(
                difference,
                sideNow.error(Examiner.betweenMm(examiner, method, examinerThen, methodThen, method)),
                sideThen.error(Examiner.betweenMm(examiner, method, examinerThen, methodThen, methodThen))));
    }

    private static TreeMap<Double, Width> bySite(List<Width> widths, Condition condition) {
        TreeMap<Double, Width> best = new TreeMap<>();
        widths.stream()
                .filter(width -> width.reading().condition() == condition)
                .forEach(width -> best.merge(
                        width.reading().siteCm(),
                        width,
                        (one, other) -> other.errorMm() < one.errorMm() ? other : one));
        return best;
    }

    /** One visit's readings as an area with its error. */
    private static final class Side {
        private final double area;
        private final double variance;
        private final double slope;

        Side(NavigableMap<Double, Width> widths, Examiner examiner, boolean biasOff) {
            double[] sites =
                    widths.keySet().stream().mapToDouble(value -> value).toArray();
            double[] mm = new double[sites.length];
            double[] cell = new double[sites.length];
            double[] visit = new double[sites.length];
            int i = 0;
            for (Map.Entry<Double, Width> e : widths.entrySet()) {
                Width w = e.getValue();
                mm[i] = Math.max(
                        0, w.mm() - (biasOff ? examiner.biasMm(w.reading().method()) : 0));
                cell[i] = w.cellErrorMm();
                visit[i] = w.visitErrorMm();
                i++;
            }
            this.area = area(sites, mm);
            double squares = 0;
            double shared = 0;
            double sum = 0;
            for (int k = 0; k < mm.length; k++) {
                double[] nudged = mm.clone();
                nudged[k] += NUDGE_MM;
                double weight = (area(sites, nudged) - area) / NUDGE_MM;
                squares += weight * weight * cell[k] * cell[k];
                shared += weight * visit[k];
                sum += weight;
            }
            this.variance = squares + shared * shared;
            this.slope = sum;
        }

        /** What two examiners differ by is the same at every site: it adds up. */
        double error(double betweenMm) {
            return Math.sqrt(variance + slope * slope * betweenMm * betweenMm);
        }

        private static double area(double[] sites, double[] mm) {
            return new MonotoneCubic(sites, mm).area() * MM_PER_CM;
        }
    }
}
