package fernstep.core.catalogue;

/**
 * A whole-numbered span, both ends included.
 *
 * @param min from 0
 * @param max from min
 */
public record Span(int min, int max) {
    /** @throws IllegalArgumentException below 0 or when min is above max */
    public Span {
        if (min < 0 || max < min) {
            throw new IllegalArgumentException("a span runs from a small to a larger number, was " + min + "–" + max);
        }
    }

    public int clamp(int value) {
        return Math.max(min, Math.min(max, value));
    }

    public boolean holds(int value) {
        return value >= min && value <= max;
    }
}
