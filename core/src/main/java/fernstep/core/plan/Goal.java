package fernstep.core.plan;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Waymark;
import java.util.List;

/** What she wants to do again, as the rungs that must be in training for it. */
public enum Goal {
    RUNNING_ASSESSMENT(Waymark.GOAL_RUNNING_ASSESSMENT),
    CAR_SEAT(Waymark.GOAL_CAR_SEAT),
    FULL_PLANK(Waymark.GOAL_FULL_PLANK),
    FRONT_LINE_RETURN(Waymark.GOAL_FRONT_LINE_RETURN),
    BACK_TO_RUNNING(Waymark.GOAL_BACK_TO_RUNNING);

    private final Waymark waymark;

    Goal(Waymark waymark) {
        this.waymark = waymark;
    }

    /** In the order of the strands. */
    public List<String> rungs(Catalogue catalogue) {
        return catalogue.marked(waymark).stream().map(Rung::code).toList();
    }
}
