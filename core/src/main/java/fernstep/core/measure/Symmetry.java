package fernstep.core.measure;

/**
 * Right against left: (R − L)/max(R, L), from −1 (right has nothing) to 1 (left has nothing); 0 when both are equal or
 * both 0.
 *
 * @param left from 0, in the unit of the measure
 * @param right from 0, in the same unit
 */
public record Symmetry(double left, double right) {
    private static final double ASYMMETRIC_FROM = 0.20;

    /** @throws IllegalArgumentException below 0 */
    public Symmetry {
        if (!(left >= 0) || !(right >= 0)) {
            throw new IllegalArgumentException("sides are compared from 0 up");
        }
    }

    public double index() {
        double larger = Math.max(left, right);
        return larger == 0 ? 0 : (right - left) / larger;
    }

    /** From 20 % on it changes the plan. */
    public boolean asymmetric() {
        return Math.abs(index()) >= ASYMMETRIC_FROM - 1e-9;
    }

    /** "left holds 40 % less", or that the sides are alike. */
    public Reason inWords() {
        long percent = Math.round(100 * Math.abs(index()));
        if (percent == 0) {
            return Reason.of("symmetry.alike");
        }
        return Reason.of("symmetry.less", index() > 0 ? Side.LEFT : Side.RIGHT, percent);
    }
}
