package fernstep.core.plan;

import java.util.List;

/** What she wants to do again, as the rungs that must be in training for it. */
public enum Goal {
    RUNNING_ASSESSMENT("UP5", "F6", "HK5", "SS1"),
    CAR_SEAT("UP2"),
    FULL_PLANK("HP4"),
    FRONT_LINE_RETURN("UP6", "F6", "HK7");

    private final List<String> rungs;

    Goal(String... rungs) {
        this.rungs = List.of(rungs);
    }

    public List<String> rungs() {
        return rungs;
    }
}
