package fernstep.core.catalogue;

import fernstep.core.body.Body;
import fernstep.core.body.ImpossiblePose;
import fernstep.core.body.Movement;
import fernstep.core.body.RangeSolver;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.DoubleSupplier;

/**
 * Loads worked out once: beside the mat the same movements of the same woman are weighed for every sign that could show, and
 * for every one that does. Forgotten all together when there are too many.
 */
final class KnownLoads {
    static final int AT_MOST = 4_000;

    private final Map<Of, Double> indexes = new ConcurrentHashMap<>();
    private final Map<Of, RangeSolver.Answer> furthest = new ConcurrentHashMap<>();

    /** What is changed about the movement. */
    private enum Manner {
        PLAIN,
        KNEES_BENT,
        ONE_LIMB,
        SHORTENED,
        SHORTENED_TO_ONE_LIMB,
        UNDER_A_CEILING
    }

    /**
     * Movements are told apart as objects: to compare all their poses would take as long as to weigh them.
     *
     * @param at a range, or the ceiling to stay under
     */
    private record Of(Movement movement, Body body, Manner manner, double at, double kneesBentDeg) {
        @Override
        @SuppressWarnings("ReferenceEquality")
        public boolean equals(Object other) {
            return other instanceof Of o
                    && o.movement == movement
                    && o.manner == manner
                    && Double.compare(o.at, at) == 0
                    && Double.compare(o.kneesBentDeg, kneesBentDeg) == 0
                    && o.body.equals(body);
        }

        @Override
        public int hashCode() {
            int what = 31 * (31 * System.identityHashCode(movement) + body.hashCode()) + manner.ordinal();
            return 31 * (31 * what + Double.hashCode(at)) + Double.hashCode(kneesBentDeg);
        }
    }

    /**
     * @param range 0 to 1
     * @return the greatest load index on the way to this range, at least 0
     */
    double of(Movement movement, Body body, double range) {
        return index(
                new Of(movement, body, Manner.PLAIN, range, 0),
                () -> movement.peak(body, range).loadIndex());
    }

    /** The same with one limb instead of two. */
    double ofOneLimb(Movement movement, Body body, double range) {
        return index(
                new Of(movement, body, Manner.ONE_LIMB, range, 0),
                () -> movement.peakOfOneLimb(body, range).loadIndex());
    }

    /** The same with free knees bent so much further, from lift-off on; empty where her body cannot make it. */
    OptionalDouble withKneesBent(Movement movement, Body body, double range, double kneesBentDeg) {
        double index = index(new Of(movement, body, Manner.KNEES_BENT, range, kneesBentDeg), () -> {
            try {
                return movement.peakWithKneesBent(body, range, kneesBentDeg).loadIndex();
            } catch (ImpossiblePose e) {
                return Double.NaN;
            }
        });
        return Double.isNaN(index) ? OptionalDouble.empty() : OptionalDouble.of(index);
    }

    /** The same shortened both ways, see {@link Rung#shortened}. */
    double shortened(Rung rung, Body body, double range, int kneesBentDeg, boolean oneLimb) {
        Manner manner = oneLimb ? Manner.SHORTENED_TO_ONE_LIMB : Manner.SHORTENED;
        return index(
                new Of(rung.movement(), body, manner, range, kneesBentDeg),
                () -> rung.shortened(body, kneesBentDeg, oneLimb)
                        .movement()
                        .peak(body, range)
                        .loadIndex());
    }

    /**
     * How far it may go under a ceiling.
     *
     * @throws ImpossiblePose for a ceiling of 0 or less
     */
    RangeSolver.Answer furthestUnder(Movement movement, Body body, double ceilingIndex) {
        Of what = new Of(movement, body, Manner.UNDER_A_CEILING, ceilingIndex, 0);
        RangeSolver.Answer before = furthest.get(what);
        if (before != null) {
            return before;
        }
        RangeSolver.Answer answer = RangeSolver.solve(movement, body, ceilingIndex);
        if (furthest.size() >= AT_MOST) {
            furthest.clear();
        }
        furthest.put(what, answer);
        return answer;
    }

    private double index(Of what, DoubleSupplier weighed) {
        Double before = indexes.get(what);
        if (before != null) {
            return before;
        }
        double index = weighed.getAsDouble();
        if (indexes.size() >= AT_MOST) {
            indexes.clear();
        }
        indexes.put(what, index);
        return index;
    }

    int size() {
        return indexes.size();
    }
}
