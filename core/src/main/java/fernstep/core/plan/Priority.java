package fernstep.core.plan;

import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.List;

/** What matters most when minutes are short. */
final class Priority {
    private static final List<Strand> ORDER = List.of(
            Strand.BREATH,
            Strand.DEEP_CORE,
            Strand.PELVIC_FLOOR,
            Strand.PELVIC_CONTROL,
            Strand.LEG_FLOAT,
            Strand.HANDS_KNEES,
            Strand.HOVER_PLANK,
            Strand.SIDE_SUPPORT,
            Strand.BRIDGE,
            Strand.HEEL_SLIDE,
            Strand.ROTATION,
            Strand.BACK_LINE,
            Strand.ARM_LEG,
            Strand.UPRIGHT,
            Strand.CURL);
    private static final int EARLY_AFTER_BIRTH_DAYS = 84;
    /** Each place in the order is worth as much as two places lower down together: order counts more than number. */
    private static final double WORTH_OF_A_PLACE = 1.35;

    private static final double WORTH_OF_THE_LAST = 10;

    private Priority() {}

    /** The pelvic floor comes early only with symptoms or in the first twelve weeks after a birth. */
    static List<Strand> order(Plan.Question q) {
        if (floorEarly(q)) {
            return ORDER;
        }
        List<Strand> order = new ArrayList<>(ORDER);
        order.remove(Strand.PELVIC_FLOOR);
        order.add(order.indexOf(Strand.HEEL_SLIDE), Strand.PELVIC_FLOOR);
        return order;
    }

    private static boolean floorEarly(Plan.Question q) {
        Integer days = q.screening().stage().daysSinceEvent();
        return q.floorSymptoms() || q.pregnant() || (days != null && days < EARLY_AFTER_BIRTH_DAYS);
    }

    /** Breath, the set and getting up are in whatever the minutes say. */
    static boolean alwaysIn(Strand strand) {
        return strand == Strand.BREATH || strand == Strand.DEEP_CORE || strand == Strand.UPRIGHT;
    }

    static int value(Strand strand, Plan.Question q) {
        List<Strand> order = order(q);
        int fromTheEnd = order.size() - 1 - order.indexOf(strand);
        return (int) Math.round(WORTH_OF_THE_LAST * Math.pow(WORTH_OF_A_PLACE, fromTheEnd));
    }
}
