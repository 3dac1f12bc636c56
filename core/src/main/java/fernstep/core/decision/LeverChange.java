package fernstep.core.decision;

import fernstep.core.catalogue.Lever;
import fernstep.core.measure.Reason;
import org.jspecify.annotations.Nullable;

/**
 * One lever and its size.
 *
 * @param from the value now: a number for range, knee bend (deg), hold (s) and repetitions, else a code; null where nothing
 *     was set
 * @param to the value to set
 * @param with a second lever pulled together with it, where one alone does not relieve; null as a rule
 * @param loadChangePct of all that is pulled; expected change of the load index, negative when it falls; null where load stays the same
 */
public record LeverChange(
        Lever lever,
        @Nullable Object from,
        @Nullable Object to,
        @Nullable LeverChange with,
        @Nullable Double loadChangePct) {
    private static final double PCT = 100;

    public LeverChange(Lever lever, @Nullable Object from, @Nullable Object to, @Nullable Double loadChangePct) {
        this(lever, from, to, null, loadChangePct);
    }

    /** The second lever, where two are pulled together. */
    public @Nullable Lever alsoLever() {
        return with == null ? null : with.lever();
    }

    /** The lever in use and its true size, for the sentence of an answer. */
    public Reason inWords() {
        Reason what =
                switch (lever) {
                    case RAISE_RANGE -> Reason.of("use.RAISE_RANGE", percent(from), percent(to));
                    case BEND_KNEE, SHORTEN_HOLD, FEWER_REPS, ADD_HELPER, SUPPORT, EASIER_POSITION ->
                        Reason.of("use." + lever, to == null ? "" : to, from == null ? "" : from);
                    case ONE_LIMB, SLOWER, CHANGE_BREATH, CHANGE_SPINE -> Reason.of("use." + lever);
                };
        if (with != null) {
            Reason both = Reason.of("use.both", what, with.inWords());
            return loadChangePct == null ? both : Reason.of("use.withLoad", both, Math.round(-loadChangePct));
        }
        return loadChangePct == null ? what : Reason.of("use.withLoad", what, Math.round(-loadChangePct));
    }

    /**
     * The value to set, in the lever's unit (range 0 to 1, knee bend deg, hold s, repetitions).
     *
     * @param otherwise what it is where the value is no number
     */
    public double toAsNumber(double otherwise) {
        return to instanceof Number n ? n.doubleValue() : otherwise;
    }

    private static Object percent(@Nullable Object share) {
        return share instanceof Number n ? Math.round(PCT * n.doubleValue()) : 0;
    }
}
