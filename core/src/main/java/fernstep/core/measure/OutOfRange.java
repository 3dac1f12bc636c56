package fernstep.core.measure;

/** A value that cannot be: carries which quantity, what was given and what is allowed. */
public final class OutOfRange extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;
    private final Range range;
    private final double actual;

    public OutOfRange(Range range, double actual) {
        super(range.label() + " was " + Numbers.plain(actual) + (range.unit().isEmpty() ? "" : " " + range.unit())
                + "; it must be " + range.allowed());
        this.range = range;
        this.actual = actual;
    }

    @Override
    public String getMessage() {
        return String.valueOf(super.getMessage());
    }

    public Range range() {
        return range;
    }

    public double actual() {
        return actual;
    }
}
