package fernstep.app.figure;

import fernstep.core.body.Body;
import fernstep.core.catalogue.Helper;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.RungForm;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * How a rung is done, as the address of a figure says it.
 *
 * @param kneesBentDeg how much further the knees are bent, degrees; taken as 0 to 90
 */
public record DoneSo(RungForm form, int kneesBentDeg, boolean oneLimb, Set<Helper> helpers) {
    private static final int MOST_KNEE_BEND_DEG = 90;

    public DoneSo {
        kneesBentDeg = Math.max(0, Math.min(MOST_KNEE_BEND_DEG, kneesBentDeg));
        helpers = Set.copyOf(helpers);
    }

    public Rung of(Rung plain, Body body) {
        return form.of(plain).shortened(body, kneesBentDeg, oneLimb).withHelpers(helpers);
    }

    /** With commas, as an address carries them. */
    public String helpersAsText() {
        return helpers.stream().map(Enum::name).sorted().collect(Collectors.joining(","));
    }
}
