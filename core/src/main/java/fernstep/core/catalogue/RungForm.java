package fernstep.core.catalogue;

import fernstep.core.client.Restriction;
import java.util.Arrays;
import java.util.Optional;
import java.util.Set;

/** How a rung is done where its plain form is closed to her or asks too much. */
public enum RungForm {
    PLAIN,
    /** Head and trunk raised on a wedge. */
    INCLINED,
    ON_FOREARMS,
    /** On a firm bed instead of the floor. */
    ON_A_BED,
    /** Seated, standing or at a wall, as the rung names it. */
    OFF_THE_FLOOR,
    /** In the easier position that the rung names. */
    EASIER;

    /** About a third of the way to sitting. */
    public static final double WEDGE_DEG = 25;

    /** The rung done so; the rung itself where this form is nothing to it. */
    public Rung of(Rung plain) {
        return switch (this) {
            case PLAIN -> plain;
            case INCLINED -> plain.position().flat() ? plain.inclined(WEDGE_DEG) : plain;
            case ON_FOREARMS -> plain.onForearms();
            case ON_A_BED -> plain.onABed();
            case OFF_THE_FLOOR -> plain.offTheFloor().orElse(plain);
            case EASIER -> plain.easier().orElse(plain);
        };
    }

    /** The form in which a rung stands in a plan. */
    public static RungForm of(Rung done, Rung plain) {
        return Arrays.stream(values())
                .filter(form -> form.of(plain).equals(done))
                .findFirst()
                .orElse(PLAIN);
    }

    /** The first form of a rung that is open to her; empty where none is. */
    public static Optional<RungForm> openTo(Rung plain, Set<Restriction> closed) {
        return Arrays.stream(values())
                .filter(form -> form != EASIER)
                .filter(form -> form.of(plain).closedBy(closed).isEmpty())
                .findFirst();
    }
}
