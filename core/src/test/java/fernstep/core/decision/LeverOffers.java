package fernstep.core.decision;

import fernstep.core.ShippedCatalogue;
import fernstep.core.body.Body;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What the tests of the levers ask: the leg float in hand, and what is offered for a sign. */
abstract class LeverOffers {
    static final Body BODY = Body.of(70.0, 170.0);

    static Case onF4() {
        return new Case();
    }

    static List<LeverChange> offered(Case other, Seen sign) {
        return new Levers(other.situation(sign)).offered(sign, List.of());
    }

    static @Nullable LeverChange of(Lever lever, Case other, Seen sign) {
        return offered(other, sign).stream()
                .filter(change -> change.lever() == lever)
                .findFirst()
                .orElse(null);
    }

    static Rung rung(String code) {
        return ShippedCatalogue.CATALOGUE.rung(code);
    }
}
