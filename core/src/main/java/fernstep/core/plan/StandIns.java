package fernstep.core.plan;

import fernstep.core.body.Body;
import fernstep.core.body.Position;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.client.Restriction;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** What takes a rung's place where its position is closed: it is replaced, never just dropped. */
public final class StandIns {
    /** Head and trunk raised: about a third of the way to sitting. */
    static final double WEDGE_DEG = 25;

    private StandIns() {}

    /** How a stand-in differs. */
    public enum Kind {
        SAME_INCLINED,
        SAME_ON_FOREARMS,
        OTHER_RUNG
    }

    /** A rung to take instead. */
    public record StandIn(Rung rung, Kind kind) {}

    /**
     * The same rung inclined or on forearms where that opens it; else what practitioners take; else those of the same aim
     * in an allowed position whose load is not above, the nearest first. Empty where nothing closes the rung.
     */
    public static List<StandIn> of(Catalogue catalogue, Rung rung, Set<Restriction> closed, Body body) {
        if (rung.closedBy(closed).isEmpty()) {
            return List.of();
        }
        Stream<StandIn> same = Stream.of(
                        new StandIn(rung.inclined(WEDGE_DEG), Kind.SAME_INCLINED),
                        new StandIn(rung.onForearms(), Kind.SAME_ON_FOREARMS))
                .filter(s -> !s.rung().equals(rung))
                .filter(s -> s.kind() != Kind.SAME_INCLINED || rung.position() == Position.SUPINE);
        Stream<StandIn> named = rung.standIns().stream().map(catalogue::rung).map(r -> new StandIn(r, Kind.OTHER_RUNG));
        double load = load(rung, body);
        Stream<StandIn> sameAim = catalogue.rungs().stream()
                .filter(r -> r.aim() == rung.aim() && !r.code().equals(rung.code()))
                .filter(r -> load(r, body) <= load)
                .sorted(Comparator.comparing(r -> load - load(r, body)))
                .map(r -> new StandIn(r, Kind.OTHER_RUNG));
        return Stream.of(same, named, sameAim)
                .flatMap(s -> s)
                .filter(s -> s.rung().closedBy(closed).isEmpty())
                .distinct()
                .toList();
    }

    private static double load(Rung rung, Body body) {
        return rung.loadAt(1, body)
                .map(l -> Objects.requireNonNull(l).loadIndex())
                .orElse(0.0);
    }

    /** The first that her gates leave open. */
    static Optional<StandIn> firstOpen(List<StandIn> standIns, java.util.function.Predicate<Rung> open) {
        return standIns.stream()
                .filter(s -> s.kind() != Kind.OTHER_RUNG || open.test(s.rung()))
                .findFirst();
    }
}
