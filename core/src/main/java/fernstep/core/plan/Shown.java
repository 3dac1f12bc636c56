package fernstep.core.plan;

import fernstep.core.body.Body;
import fernstep.core.body.Capacity;
import fernstep.core.body.LoadFamily;
import fernstep.core.catalogue.Rung;
import fernstep.core.measure.Side;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/**
 * What load of each kind she has shown, by checks and in her log alike: it decides where something not yet tried begins
 * (brief 17.1).
 */
final class Shown {
    /** Of what she has shown of the same kind. */
    static final double OF_OWN = 0.80;

    private static final double OF_NEAREST = 0.60;
    private static final double OF_HALF = 0.50;

    /** The kinds nearest to one that was never shown, the nearest first. */
    private static final Map<LoadFamily, List<LoadFamily>> NEAREST = Map.of(
            LoadFamily.LYING_LEGS, List.of(LoadFamily.LYING_ARMS, LoadFamily.FRONT),
            LoadFamily.LYING_ARMS, List.of(LoadFamily.LYING_LEGS),
            LoadFamily.FRONT, List.of(LoadFamily.LYING_LEGS),
            LoadFamily.TURNING, List.of(LoadFamily.LYING_LEGS, LoadFamily.FRONT),
            LoadFamily.SIDE, List.of(LoadFamily.FRONT, LoadFamily.LYING_LEGS));

    private final Plan.Question q;
    private final Body body;
    private final List<Tested> tested = new ArrayList<>();

    /** A load that a check showed clean. */
    private record Tested(LoadFamily family, @Nullable Side side, double loadIndex) {}

    /**
     * What something not yet tried may ask for.
     *
     * @param loadIndex thousandths of weight times height
     * @param share of what she has shown
     * @param from the kind of load she has shown
     */
    record Target(double loadIndex, double share, LoadFamily from) {}

    Shown(Plan.Question question) {
        this.q = question;
        this.body = question.her().body();
        for (RungGates.Done done :
                Plan.done(question.catalogue(), question.her().findings(), List.of())) {
            Rung rung = question.catalogue().rung(done.rung());
            LoadFamily family = rung.family();
            if (rung.loaded() && family != null) {
                tested.add(new Tested(family, done.side(), rung.indexAt(1, body)));
            }
        }
        triedInVain();
    }

    /** Whom a check showed not even the first float lifts nothing yet: that is known, and not nothing. */
    private void triedInVain() {
        q.her().findings().floatScore().forEach((side, score) -> {
            if (score == 0) {
                tested.add(new Tested(LoadFamily.LYING_LEGS, side, 0));
            }
        });
    }

    /** The greatest, in thousandths of weight times height; empty where nothing of this kind was shown. */
    OptionalDouble of(LoadFamily family, @Nullable Side side) {
        Optional<Double> logged = Capacity.of(
                        q.training().heldClean(), family, side, q.training().today())
                .map(Capacity::loadIndex);
        OptionalDouble checked = tested.stream()
                .filter(tested ->
                        tested.family() == family && (tested.side() == null || side == null || tested.side() == side))
                .mapToDouble(Tested::loadIndex)
                .max();
        return logged.isEmpty() ? checked : OptionalDouble.of(Math.max(logged.get(), checked.orElse(0)));
    }

    /** Where something of this kind begins; empty where nothing near it was shown either. */
    Optional<Target> target(LoadFamily family, @Nullable Side side) {
        OptionalDouble own = of(family, side);
        if (own.isPresent()) {
            return Optional.of(new Target(OF_OWN * own.getAsDouble(), OF_OWN, family));
        }
        double share = family == LoadFamily.SIDE ? OF_HALF : OF_NEAREST;
        for (LoadFamily near : NEAREST.getOrDefault(family, List.of())) {
            OptionalDouble shown = of(near, side);
            if (shown.isPresent()) {
                return Optional.of(new Target(share * shown.getAsDouble(), share, near));
            }
        }
        return Optional.empty();
    }
}
