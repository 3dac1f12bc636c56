package fernstep.core.progress;

import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.catalogue.CatalogueStrand;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungGate;
import fernstep.core.measure.Side;
import fernstep.core.plan.DoseRules;
import fernstep.core.plan.Place;
import fernstep.core.plan.RungGates;
import fernstep.core.plan.Waiting;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** A strand as she stands on it: every rung with its leaf or pair of leaves. */
public record Frond(CatalogueStrand strand, List<Pair> pairs) {

    /** One rung's leaves; a rung without sides has the same leaf twice. */
    public record Pair(Rung rung, Leaf left, Leaf right) {}

    /**
     * One leaf.
     *
     * @param unfurled 0 to 1: place in the dose window
     * @param waiting the gates that hold it, other than the rungs below
     */
    public record Leaf(LeafState state, double unfurled, List<Waiting> waiting) {}

    /**
     * @param places where she stands on this strand
     * @param helped rungs whose last results were clean with help only
     */
    public static Frond of(
            CatalogueStrand strand,
            List<Place> places,
            Set<RungGates.Done> helped,
            DoseStance stance,
            RungGates.Known known) {
        List<Pair> pairs = new ArrayList<>();
        for (Rung rung : strand.mainLine()) {
            Leaf left = leaf(rung, Side.LEFT, places, helped, stance, known);
            Leaf right = rung.perSide() ? leaf(rung, Side.RIGHT, places, helped, stance, known) : left;
            pairs.add(new Pair(rung, left, right));
        }
        return new Frond(strand, List.copyOf(pairs));
    }

    /** How far a strand is as a whole. */
    public enum Standing {
        IN_TRAINING,
        /** Something on it is clean and nothing is in training. */
        SETTLED,
        NOT_BEGUN
    }

    public Standing standing() {
        if (any(LeafState.UNFURLING) || any(LeafState.HELPED)) {
            return Standing.IN_TRAINING;
        }
        return any(LeafState.OPEN) ? Standing.SETTLED : Standing.NOT_BEGUN;
    }

    private boolean any(LeafState state) {
        return pairs.stream()
                .anyMatch(pair -> pair.left().state() == state || pair.right().state() == state);
    }

    /** Some rung of it is trained left and right apart. */
    public boolean sided() {
        return pairs.stream().anyMatch(pair -> pair.rung().perSide());
    }

    private static Leaf leaf(
            Rung rung,
            Side side,
            List<Place> places,
            Set<RungGates.Done> helped,
            DoseStance stance,
            RungGates.Known known) {
        Optional<Place> place = places.stream()
                .filter(each -> each.strand() == rung.strand())
                .filter(each -> each.side() == null || !rung.perSide() || each.side() == side)
                .findFirst();
        if (place.isPresent() && place.get().rung().equals(rung.code())) {
            double share = DoseRules.share(place.get().dose(), DoseRules.window(rung.window(), stance), stance);
            LeafState state = in(helped, rung, side) ? LeafState.HELPED : LeafState.UNFURLING;
            return new Leaf(state, share, List.of());
        }
        if (in(known.done(), rung, side)) {
            return new Leaf(LeafState.OPEN, 1, List.of());
        }
        List<Waiting> gates = RungGates.waiting(rung, rung.perSide() ? side : null, known).stream()
                .filter(waiting -> !asksOnlyForTheRungBelow(waiting, rung))
                .toList();
        return new Leaf(gates.isEmpty() ? LeafState.CURLED : LeafState.GATED, 0, gates);
    }

    private static boolean asksOnlyForTheRungBelow(Waiting waiting, Rung rung) {
        return waiting.rungAskedFor()
                .filter(below -> rung.gates().stream()
                        .anyMatch(gate -> gate instanceof RungGate.CleanRung clean
                                && clean.rung().equals(below.code())))
                .isPresent();
    }

    private static boolean in(Set<RungGates.Done> set, Rung rung, @Nullable Side side) {
        return set.stream()
                .anyMatch(done -> done.rung().equals(rung.code()) && (done.side() == null || done.side() == side));
    }
}
