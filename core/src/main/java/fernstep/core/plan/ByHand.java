package fernstep.core.plan;

import fernstep.core.screening.Strand;
import java.util.Set;

/**
 * What was set by hand.
 *
 * @param locked in, whatever the minutes say
 * @param dosed neither a set less nor more
 */
record ByHand(Set<Strand> locked, Set<Strand> dosed) {
    static final ByHand NOTHING = new ByHand(Set.of(), Set.of());

    ByHand {
        locked = Set.copyOf(locked);
        dosed = Set.copyOf(dosed);
    }

    boolean fixed(Strand strand) {
        return locked.contains(strand) || dosed.contains(strand);
    }
}
