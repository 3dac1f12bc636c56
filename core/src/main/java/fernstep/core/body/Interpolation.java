package fernstep.core.body;

/** Between two poses. */
final class Interpolation {
    private Interpolation() {}

    static double between(double from, double to, double share) {
        return from + share * (to - from);
    }

    /** A limb bears as at the start only at the very start: as soon as it moves it bears as at the end. */
    static <C> C contact(C from, C to, double share) {
        return share <= 0 ? from : to;
    }
}
