package fernstep.core.plan;

import fernstep.core.approach.Stances.DoseStance;
import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Span;
import fernstep.core.catalogue.Window;
import fernstep.core.screening.Strand;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** How a dose stance works inside a rung's window, and what one notch is. */
public final class DoseRules {
    private static final int REPS_NOTCH = 2;
    private static final int HOLD_NOTCH_S = 2;
    private static final int BREATHS_NOTCH = 1;
    private static final double NOTCH_SHARE = 0.15;
    private static final int MOST_NOTCHES = 8;
    private static final double HALF = 0.5;
    /** What a rounding of doubles may add to a whole number. */
    private static final double JUST_OVER = 1e-9;

    private static final int MICRO_LOADED_DAYS = 5;
    /** Bones and tendons want days between. */
    private static final int IMPACT_DAYS = 3;

    private DoseRules() {}

    /** What a stance asks for, before the rung's window bounds it. */
    private record Shape(
            Span sets,
            @Nullable Span reps,
            @Nullable Span holdS,
            @Nullable Span breaths,
            int perDay,
            int days) {

        static Shape of(DoseStance stance) {
            return switch (stance) {
                case MICRO_DAILY -> new Shape(new Span(1, 1), new Span(10, 10), new Span(10, 10), null, 3, 7);
                case SETS_WEEKLY -> new Shape(new Span(2, 3), new Span(7, 15), null, null, 1, 3);
                case BREATH_COUNTED -> new Shape(new Span(2, 3), null, null, new Span(4, 6), 1, 5);
                case MASTERY_REPS -> new Shape(new Span(1, 1), new Span(10, 20), null, null, 1, 5);
                case MINUTES_DAILY -> new Shape(new Span(1, 1), null, null, new Span(2, 20), 1, 7);
            };
        }
    }

    /** On how many days a week a stance trains. */
    public static int daysPerWeek(DoseStance stance) {
        return Shape.of(stance).days();
    }

    /** The part of the rung's window in which this stance moves. */
    public static Window window(Window rung, DoseStance stance) {
        Shape shape = Shape.of(stance);
        return new Window(
                inside(rung.sets(), shape.sets()),
                rung.reps() == null ? null : inside(rung.reps(), shape.reps()),
                rung.holdS() == null ? null : inside(rung.holdS(), shape.holdS()),
                rung.breaths() == null ? null : inside(rung.breaths(), shape.breaths()));
    }

    /**
     * Where both spans leave room to grow, their common part. A stance that names one number is a ceiling inside the
     * window; a stance that has nothing to say, or nothing in common, leaves the rung's own span.
     */
    private static Span inside(Span rung, @Nullable Span stance) {
        if (stance == null) {
            return rung;
        }
        if (stance.min() == stance.max()) {
            return new Span(rung.min(), rung.clamp(stance.max()));
        }
        int low = Math.max(rung.min(), stance.min());
        int high = Math.min(rung.max(), stance.max());
        return low < high ? new Span(low, high) : rung;
    }

    public static Dose minimum(Window window, DoseStance stance) {
        Shape shape = Shape.of(stance);
        return new Dose(
                window.sets().min(),
                window.reps() == null ? null : window.reps().min(),
                window.holdS() == null ? null : window.holdS().min(),
                window.breaths() == null ? null : window.breaths().min(),
                shape.perDay(),
                shape.days());
    }

    /**
     * The smallest dose of a rung by a stance, as often as the stance asks: loaded work once a day and never more than five
     * days, also where the stance repeats unloaded holds through the day.
     */
    public static Dose first(Rung rung, DoseStance stance) {
        Dose usual = minimum(window(rung.window(), stance), stance);
        Dose least =
                rung.strand() == Strand.IMPACT ? usual.withDays(Math.min(usual.daysPerWeek(), IMPACT_DAYS)) : usual;
        if (stance != DoseStance.MICRO_DAILY) {
            return least;
        }
        boolean held = rung.window().holdS() != null || rung.window().breaths() != null;
        return new Dose(
                least.sets(),
                least.reps(),
                least.holdS(),
                least.breaths(),
                rung.loaded() || !held ? 1 : least.perDay(),
                rung.loaded() ? Math.min(least.daysPerWeek(), MICRO_LOADED_DAYS) : least.daysPerWeek());
    }

    /** The same at the window's top. */
    public static Dose last(Rung rung, DoseStance stance) {
        Dose often = first(rung, stance);
        Dose top = top(window(rung.window(), stance), stance);
        return new Dose(top.sets(), top.reps(), top.holdS(), top.breaths(), often.perDay(), often.daysPerWeek());
    }

    private static final int FEWEST_REPS = 3;
    private static final int FEWEST_HOLDS = 2;
    private static final int FEWEST_BREATHS = 3;

    /**
     * The fewest sets in which a dose is worth doing: three breaths in all, or two holds, or the low end of the window where
     * that is less.
     */
    static int leastSets(Rung rung, Dose dose) {
        int sets = (fewest(rung.window(), dose) + dose.times() - 1) / dose.times();
        return Math.max(1, Math.min(dose.sets(), sets));
    }

    /** The fewest repetitions or breaths of a set: three, where it has as many. */
    static int leastTimes(Dose dose) {
        boolean counted = dose.reps() != null || dose.breaths() != null;
        return counted ? Math.min(dose.times(), FEWEST_REPS) : dose.times();
    }

    private static int fewest(Window window, Dose dose) {
        Span reps = window.reps();
        Span breaths = window.breaths();
        if (dose.reps() != null && reps != null) {
            return Math.min(reps.min(), FEWEST_REPS);
        }
        return dose.breaths() != null && breaths != null
                ? Math.min(breaths.min(), FEWEST_BREATHS)
                : Math.min(window.sets().min(), FEWEST_HOLDS);
    }

    public static Dose top(Window window, DoseStance stance) {
        Shape shape = Shape.of(stance);
        return new Dose(
                window.sets().max(),
                window.reps() == null ? null : window.reps().max(),
                window.holdS() == null ? null : window.holdS().max(),
                window.breaths() == null ? null : window.breaths().max(),
                shape.perDay(),
                shape.days());
    }

    /**
     * A dose as another stance would give it: as much of it as the window leaves, as often as the stance asks. A hold or a
     * breath is never made longer by it.
     */
    public static Dose fitted(Dose dose, Rung rung, DoseStance stance) {
        Window window = window(rung.window(), stance);
        Dose least = first(rung, stance);
        return new Dose(
                window.sets().clamp(dose.sets()),
                window.reps() == null
                        ? null
                        : Integer.valueOf(
                                dose.reps() == null
                                        ? window.reps().min()
                                        : window.reps().clamp(dose.reps())),
                noLonger(dose.holdS(), window.holdS()),
                noLonger(dose.breaths(), window.breaths()),
                least.perDay(),
                least.daysPerWeek());
    }

    private static @Nullable Integer noLonger(@Nullable Integer value, @Nullable Span span) {
        return span == null ? null : Integer.valueOf(value == null ? span.min() : Math.min(span.max(), value));
    }

    /**
     * Repetitions, then hold or breaths, then sets (+1); empty at the window's top. A notch is 15 % of what is done now, at
     * least two repetitions, two seconds or a breath, and large enough to cross the window in eight (brief 17.6).
     */
    public static Optional<Dose> notchUp(Dose dose, Window window) {
        return up(dose, window, 1);
    }

    /**
     * Each set is as long as the window lets it be. A set more is for who waits here for something else; it is not asked of
     * who may go on (brief 17.6: at most twelve weeks of perfect work, whatever the approach).
     */
    public static boolean atTop(Dose dose, Window window) {
        return notchUp(dose, window).filter(more -> more.sets() <= dose.sets()).isEmpty();
    }

    /** Half of that step, where her stage asks for caution. */
    public static Optional<Dose> halfNotchUp(Dose dose, Window window) {
        return up(dose, window, HALF);
    }

    private static Optional<Dose> up(Dose dose, Window window, double share) {
        int of = notchesOfOne(window);
        return new Notch(window.reps(), REPS_NOTCH, of, share)
                .up(dose.reps())
                .map(dose::withReps)
                .or(() -> new Notch(window.holdS(), HOLD_NOTCH_S, of, share)
                        .up(dose.holdS())
                        .map(dose::withHoldS))
                .or(() -> new Notch(window.breaths(), BREATHS_NOTCH, of, share)
                        .up(dose.breaths())
                        .map(breaths -> fewerShortSets(dose, dose.withBreaths(breaths), window)))
                .or(() -> moreSets(dose, window));
    }

    /** Short sets made up for a breath that could not be kept longer; they go as she keeps it longer. */
    private static Dose fewerShortSets(Dose before, Dose longer, Window window) {
        if (before.sets() <= window.sets().max()) {
            return longer;
        }
        int asMany = (before.sets() * before.times() + longer.times() - 1) / longer.times();
        return longer.withSets(Math.max(window.sets().min(), Math.min(before.sets(), asMany)));
    }

    private static Optional<Dose> moreSets(Dose dose, Window window) {
        return dose.sets() >= window.sets().max() ? Optional.empty() : Optional.of(dose.withSets(dose.sets() + 1));
    }

    private static Optional<Dose> fewerSets(Dose dose, Window window) {
        return dose.sets() <= window.sets().min() ? Optional.empty() : Optional.of(dose.withSets(dose.sets() - 1));
    }

    /** The same steps taken back in the opposite order; empty at the window's minimum. */
    public static Optional<Dose> notchDown(Dose dose, Window window) {
        int of = notchesOfOne(window);
        return fewerSets(dose, window)
                .or(() -> new Notch(window.breaths(), BREATHS_NOTCH, of, 1)
                        .down(dose.breaths())
                        .map(dose::withBreaths))
                .or(() -> new Notch(window.holdS(), HOLD_NOTCH_S, of, 1)
                        .down(dose.holdS())
                        .map(dose::withHoldS))
                .or(() -> new Notch(window.reps(), REPS_NOTCH, of, 1)
                        .down(dose.reps())
                        .map(dose::withReps));
    }

    /** Half a step of repetitions, breaths or seconds less; empty at the window's minimum. */
    public static Optional<Dose> halfNotchDown(Dose dose, Window window) {
        int of = notchesOfOne(window);
        return new Notch(window.reps(), REPS_NOTCH, of, HALF)
                .down(dose.reps())
                .map(dose::withReps)
                .or(() -> new Notch(window.breaths(), BREATHS_NOTCH, of, HALF)
                        .down(dose.breaths())
                        .map(dose::withBreaths))
                .or(() -> new Notch(window.holdS(), HOLD_NOTCH_S, of, HALF)
                        .down(dose.holdS())
                        .map(dose::withHoldS));
    }

    /** How far the dose has come through its window, 0 at the minimum to 1 at the top, counted in notches. */
    public static double share(Dose dose, Window window, DoseStance stance) {
        Dose step = minimum(window, stance);
        int all = 0;
        int done = 0;
        for (Optional<Dose> next = Optional.of(step); next.isPresent(); next = notchUp(next.get(), window)) {
            all++;
            if (reached(dose, next.get())) {
                done = all;
            }
        }
        return all <= 1 ? 1 : (double) (Math.max(1, done) - 1) / (all - 1);
    }

    private static boolean reached(Dose dose, Dose step) {
        return dose.sets() >= step.sets()
                && atLeast(dose.reps(), step.reps())
                && atLeast(dose.holdS(), step.holdS())
                && atLeast(dose.breaths(), step.breaths());
    }

    private static boolean atLeast(@Nullable Integer value, @Nullable Integer step) {
        return step == null || (value != null && value >= step);
    }

    /** The eight from a window's start to its top are shared by what can grow in it; a set more is one. */
    private static int notchesOfOne(Window window) {
        int left = MOST_NOTCHES - (window.sets().max() - window.sets().min());
        boolean both = window.reps() != null && window.holdS() != null;
        return Math.max(1, both ? left / 2 : left);
    }

    /**
     * One step of one number of a dose.
     *
     * @param span of that number in the window; null where it is not counted
     * @param least of a whole notch
     * @param most notches from its start to its top
     * @param share of a notch, 1 or a half
     */
    private record Notch(@Nullable Span span, int least, int most, double share) {
        Optional<Integer> up(@Nullable Integer value) {
            return span == null || value == null || value >= span.max()
                    ? Optional.empty()
                    : Optional.of(span.clamp(raised(span, value)));
        }

        /** The least from which a notch up leads here again. */
        Optional<Integer> down(@Nullable Integer value) {
            if (span == null || value == null || value <= span.min()) {
                return Optional.empty();
            }
            int to = value - 1;
            while (to > span.min() && raised(span, to - 1) >= value) {
                to--;
            }
            return Optional.of(span.clamp(to));
        }

        private int raised(Span in, int value) {
            double whole = Math.max(NOTCH_SHARE * value, (double) (in.max() - in.min()) / most);
            return value + Math.max(1, (int) Math.round(share * Math.max(least, Math.ceil(whole - JUST_OVER))));
        }
    }
}
