package fernstep.core.session;

import fernstep.core.body.Body;
import fernstep.core.catalogue.Easing;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.Rung;
import fernstep.core.decision.LeverChange;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** What makes an exercise easier beside its range and its dose; it stays until another rung is gone on with. */
final class Easings {
    private final Set<Helper> helpers = EnumSet.noneOf(Helper.class);
    private final List<Lever> otherLevers = new ArrayList<>();
    private int kneesBentDeg;

    Set<Helper> helpers() {
        return Collections.unmodifiableSet(helpers);
    }

    List<Lever> otherLevers() {
        return List.copyOf(otherLevers);
    }

    int kneesBentDeg() {
        return kneesBentDeg;
    }

    void pull(LeverChange change) {
        switch (change.lever()) {
            case ADD_HELPER, SUPPORT -> {
                if (change.to() instanceof Helper helper) {
                    helpers.add(helper);
                }
            }
            case BEND_KNEE -> {
                kneesBentDeg = (int) change.toAsNumber(0);
                otherLevers.add(Lever.BEND_KNEE);
            }
            default -> otherLevers.add(change.lever());
        }
    }

    /** As it was pulled elsewhere. */
    void as(Easings other) {
        helpers.addAll(other.helpers);
        otherLevers.clear();
        otherLevers.addAll(other.otherLevers);
        kneesBentDeg = other.kneesBentDeg;
    }

    void clear() {
        helpers.clear();
        otherLevers.clear();
        kneesBentDeg = 0;
    }

    /** As it is to begin. */
    void beginWith(Easing easing) {
        helpers.addAll(easing.helpers());
        easing.levers().stream().sorted().forEach(otherLevers::add);
        kneesBentDeg = easing.kneesBentDeg();
    }

    /** As it stands. */
    Easing now() {
        return new Easing(kneesBentDeg, Set.copyOf(otherLevers), helpers);
    }

    /** As the rung looks now: in the easier position, with bent knees or one limb where these are in use. */
    Rung on(Rung rung, Body body) {
        return now().on(rung, body);
    }
}
