package fernstep.core.catalogue;

import fernstep.core.body.Body;
import fernstep.core.body.Movement;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Load indexes worked out once: beside the mat the same movements of the same woman are weighed for every sign that could
 * show, and for every one that does. Forgotten all together when there are too many.
 */
final class KnownIndexes {
    static final int AT_MOST = 4_000;

    private final Map<Of, Double> known = new ConcurrentHashMap<>();

    /** Movements are told apart as objects: to compare all their poses would take as long as to weigh them. */
    private record Of(Movement movement, Body body, double range) {
        @Override
        @SuppressWarnings("ReferenceEquality")
        public boolean equals(Object other) {
            return other instanceof Of o
                    && o.movement == movement
                    && Double.compare(o.range, range) == 0
                    && o.body.equals(body);
        }

        @Override
        public int hashCode() {
            return 31 * (31 * System.identityHashCode(movement) + body.hashCode()) + Double.hashCode(range);
        }
    }

    /**
     * @param range 0 to 1
     * @return the greatest load index on the way to this range, at least 0
     */
    double of(Movement movement, Body body, double range) {
        Of what = new Of(movement, body, range);
        Double before = known.get(what);
        if (before != null) {
            return before;
        }
        double index = movement.peak(body, range).loadIndex();
        if (known.size() >= AT_MOST) {
            known.clear();
        }
        known.put(what, index);
        return index;
    }

    int size() {
        return known.size();
    }
}
