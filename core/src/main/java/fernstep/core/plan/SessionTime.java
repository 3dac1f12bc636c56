package fernstep.core.plan;

import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Tempo;
import java.util.List;

/** Time from tempo and dose, never guessed. Seconds. */
public final class SessionTime {
    public static final int REST_BETWEEN_SETS_S = 30;
    public static final int CHANGE_OF_POSITION_S = 20;

    private SessionTime() {}

    /** One item as dosed, rest between its sets included; 0 for what is done apart from the session. */
    public static int seconds(Rung rung, Dose dose) {
        if (rung.apart()) {
            return 0;
        }
        return dose.sets() * setSeconds(rung, dose) + (dose.sets() - 1) * REST_BETWEEN_SETS_S;
    }

    private static int setSeconds(Rung rung, Dose dose) {
        Tempo t = rung.tempo();
        int hold = dose.holdS() == null ? 0 : dose.holdS();
        int times = dose.times();
        return times * (t.liftS() + hold + t.returnS() + t.restS());
    }

    /** Seconds under load: all but the rests; 0 for a rung that does not count as load. */
    public static int loadSeconds(Rung rung, Dose dose) {
        if (!rung.loaded() || rung.apart()) {
            return 0;
        }
        int times = dose.times();
        int hold = dose.holdS() == null ? 0 : dose.holdS();
        return dose.sets() * times * (rung.tempo().liftS() + hold + rung.tempo().returnS());
    }

    /** Changes between neighbours in this order, 20 s each; getting up at the end is none. */
    public static int changesSeconds(List<PlanItem.Ground> order) {
        return changes(order) * CHANGE_OF_POSITION_S;
    }

    public static int changes(List<PlanItem.Ground> order) {
        int changes = 0;
        for (int i = 1; i < order.size(); i++) {
            boolean up = order.get(i) == PlanItem.Ground.UPRIGHT;
            changes += order.get(i) != order.get(i - 1) && !up ? 1 : 0;
        }
        return changes;
    }
}
