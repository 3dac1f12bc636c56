package fernstep.app.support;

/** The data of a path in a drawing, to a tenth of a unit; pages hold hundreds, so nothing is formatted by a pattern. */
public final class PathData {
    private static final int TENTHS = 10;

    private final StringBuilder data = new StringBuilder();

    /**
     * @param command what is drawn: M, L, Q, A, Z
     * @param numbers its coordinates and flags in order
     */
    public PathData draw(String command, double... numbers) {
        data.append(command);
        for (int i = 0; i < numbers.length; i++) {
            if (i > 0) {
                data.append(' ');
            }
            number(numbers[i]);
        }
        return this;
    }

    private void number(double value) {
        long tenths = Math.round(value * TENTHS);
        if (tenths < 0) {
            data.append('-');
        }
        data.append(Math.abs(tenths) / TENTHS);
        if (tenths % TENTHS != 0) {
            data.append('.').append(Math.abs(tenths) % TENTHS);
        }
    }

    @Override
    public String toString() {
        return data.toString();
    }
}
