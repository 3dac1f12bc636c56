package fernstep.app.plan;

import fernstep.app.client.ClientSettings;
import fernstep.core.approach.Approach;
import fernstep.core.approach.Stances;
import org.jspecify.annotations.Nullable;

/**
 * An approach of the house's own: a copy of a shipped one with some stances changed.
 *
 * @param changes NAME=OPTION with commas
 */
public record HouseApproach(
        @Nullable Long id, String formId, String name, String rationale, Approach base, String changes, long staffId) {
    public Stances stances() {
        return ClientSettings.changed(base.stances(), changes);
    }

    public String code() {
        return "house-" + id;
    }
}
