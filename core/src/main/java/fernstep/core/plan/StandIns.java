package fernstep.core.plan;

import fernstep.core.body.Body;
import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Prop;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import fernstep.core.client.Restriction;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** What takes a rung's place where its position is closed: it is replaced, never just dropped. */
public final class StandIns {
    private static final double ROUNDING = 1e-6;

    private StandIns() {}

    /** How a stand-in differs. */
    public enum Kind {
        SAME_INCLINED(RungForm.INCLINED),
        SAME_ON_FOREARMS(RungForm.ON_FOREARMS),
        SAME_ON_A_BED(RungForm.ON_A_BED),
        SAME_OFF_THE_FLOOR(RungForm.OFF_THE_FLOOR),
        OTHER_RUNG(RungForm.PLAIN);

        private final RungForm form;

        Kind(RungForm form) {
            this.form = form;
        }

        /** Not the same exercise in another form. */
        public boolean otherRung() {
            return this == OTHER_RUNG;
        }
    }

    /** A rung to take instead. */
    public record StandIn(Rung rung, Kind kind) {}

    /**
     * The same rung inclined, on forearms, on a bed or off the floor where that opens it; else what practitioners take; else those of
     * the same aim in an allowed position, the nearest in load first. None asks for more at its easiest than the rung it
     * stands in for. Empty where nothing closes the rung.
     */
    public static List<StandIn> of(Catalogue catalogue, Rung rung, Set<Restriction> closed, Body body) {
        if (rung.closedBy(closed).isEmpty()) {
            return List.of();
        }
        double load = rung.indexAt(0, body);
        return Stream.concat(
                        same(rung, closed),
                        others(catalogue, rung, closed)
                                .filter(each -> each.indexAt(0, body) <= load + ROUNDING)
                                .sorted(Comparator.comparing((Rung each) -> !named(rung, each))
                                        .thenComparing(each -> named(rung, each)
                                                ? rung.standIns().indexOf(each.code())
                                                : load - each.indexAt(0, body)))
                                .map(each -> new StandIn(each, Kind.OTHER_RUNG)))
                .toList();
    }

    /** Whether she can do it as it is, or in another place or on her forearms; else something else is done for it. */
    public static boolean doneInSomeForm(Rung rung, Set<Restriction> closed) {
        return rung.closedBy(closed).isEmpty() || same(rung, closed).findAny().isPresent();
    }

    private static boolean named(Rung rung, Rung other) {
        return rung.standIns().contains(other.code());
    }

    private static Stream<StandIn> same(Rung rung, Set<Restriction> closed) {
        return Arrays.stream(Kind.values())
                .filter(kind -> kind.form != RungForm.PLAIN)
                .map(kind -> new StandIn(kind.form.of(rung), kind))
                .filter(standIn -> !standIn.rung().equals(rung))
                .filter(standIn -> standIn.rung().closedBy(closed).isEmpty());
    }

    /** A table is asked for where she is kept off the floor; else what is near on the mat comes first. */
    private static Stream<Rung> others(Catalogue catalogue, Rung rung, Set<Restriction> closed) {
        return Stream.concat(
                        rung.standIns().stream().map(catalogue::rung),
                        catalogue.rungs().stream()
                                .filter(each -> each.aim() == rung.aim())
                                .filter(each -> closed.contains(Restriction.NO_FLOOR)
                                        || !each.props().contains(Prop.TABLE)))
                .filter(each -> !each.code().equals(rung.code()))
                .map(each -> each.closedBy(closed).isEmpty() ? each : each.onABed())
                .filter(each -> each.closedBy(closed).isEmpty())
                .distinct();
    }

    /** Other rungs that can stand in where this one's position is closed, load not looked at. */
    static Stream<Rung> replacing(Catalogue catalogue, Rung rung, Set<Restriction> closed) {
        return others(catalogue, rung, closed);
    }

    /** The first that her gates leave open; the same rung in another place has the gates of the rung itself. */
    static Optional<StandIn> firstOpen(List<StandIn> standIns, Predicate<Rung> open) {
        return standIns.stream()
                .filter(standIn -> standIn.kind() != Kind.OTHER_RUNG || open.test(standIn.rung()))
                .findFirst();
    }
}
