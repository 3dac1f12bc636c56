package fernstep.core.catalogue;

import fernstep.core.body.Body;
import java.util.Arrays;
import java.util.Collection;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What makes an exercise easier beside its range and its dose.
 *
 * @param kneesBentDeg how much further the knees are bent, degrees, 0 to 90
 * @param levers in use that are neither range nor dose nor a helper
 * @param helpers added
 */
public record Easing(int kneesBentDeg, Set<Lever> levers, Set<Helper> helpers) {
    public static final Easing NONE = new Easing(0, Set.of(), Set.of());

    public Easing {
        levers = Set.copyOf(levers);
        helpers = Set.copyOf(helpers);
    }

    public boolean isNone() {
        return equals(NONE);
    }

    /** As the rung looks by it: in the easier position, with bent knees or one limb where these are in use. */
    public Rung on(Rung rung, Body body) {
        Rung placed = levers.contains(Lever.EASIER_POSITION) ? rung.easier().orElse(rung) : rung;
        return placed.shortened(body, kneesBentDeg, levers.contains(Lever.ONE_LIMB));
    }

    /** The names of its levers and helpers, as {@link #of} reads them. */
    public Set<String> parts() {
        return Stream.concat(levers.stream().map(Enum::name), helpers.stream().map(Enum::name))
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** @param parts names of levers and helpers; what is neither is passed over */
    public static Easing of(int kneesBentDeg, Collection<String> parts) {
        return new Easing(
                kneesBentDeg,
                Arrays.stream(Lever.values())
                        .filter(lever -> parts.contains(lever.name()))
                        .collect(Collectors.toSet()),
                Arrays.stream(Helper.values())
                        .filter(helper -> parts.contains(helper.name()))
                        .collect(Collectors.toSet()));
    }

    /** Half of it given back: the knees half as far, and what was only beside the work let go. */
    public Easing half() {
        return new Easing(kneesBentDeg / 2, levers, Set.of());
    }
}
