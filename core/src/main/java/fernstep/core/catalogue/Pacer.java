package fernstep.core.catalogue;

import fernstep.core.approach.Stances.EffortTiming;
import fernstep.core.screening.Strand;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What breath goes with which part of a repetition, by effort-timing stance. */
public final class Pacer {
    private Pacer() {}

    /** What the breath does. */
    public enum Breath {
        IN,
        OUT,
        RUNS_ON
    }

    /** What the body does. */
    public enum Part {
        LIFT,
        HOLD,
        RETURN,
        REST,
        BREATHE_IN,
        BREATHE_OUT
    }

    /**
     * One part of a repetition; seconds above 0.
     *
     * @param seconds above 0
     */
    public record Phase(Part part, Breath breath, int seconds) {}

    /** @param holdS seconds held, or null */
    public static List<Phase> phases(Rung rung, EffortTiming timing, @Nullable Integer holdS) {
        Tempo t = rung.tempo();
        List<Phase> phases = new ArrayList<>();
        if (rung.strand() == Strand.BREATH) {
            add(phases, Part.BREATHE_IN, Breath.IN, t.liftS());
            add(phases, Part.BREATHE_OUT, Breath.OUT, t.returnS());
            add(phases, Part.REST, Breath.RUNS_ON, t.restS());
            return phases;
        }
        int hold = holdS == null ? 0 : holdS;
        switch (timing) {
            case EXHALE_EFFORT_ONLY -> {
                add(phases, Part.LIFT, Breath.OUT, t.liftS());
                add(phases, Part.HOLD, Breath.RUNS_ON, hold);
                add(phases, Part.RETURN, Breath.IN, t.returnS());
                add(phases, Part.REST, Breath.RUNS_ON, t.restS());
            }
            case EXHALE_EVERY_MOVE -> {
                add(phases, Part.LIFT, Breath.OUT, t.liftS());
                add(phases, Part.HOLD, Breath.RUNS_ON, hold);
                add(phases, Part.RETURN, Breath.OUT, t.returnS());
                add(phases, Part.REST, Breath.IN, t.restS());
            }
            case BREATHE_THROUGH -> {
                add(phases, Part.LIFT, Breath.RUNS_ON, t.liftS());
                add(phases, Part.HOLD, Breath.RUNS_ON, hold);
                add(phases, Part.RETURN, Breath.RUNS_ON, t.returnS());
                add(phases, Part.REST, Breath.RUNS_ON, t.restS());
            }
        }
        return phases;
    }

    private static void add(List<Phase> phases, Part part, Breath breath, int seconds) {
        if (seconds > 0) {
            phases.add(new Phase(part, breath, seconds));
        }
    }
}
