package fernstep.core.session;

/**
 * One set as it was done.
 *
 * @param target repetitions or breaths that were wanted, from 1
 * @param done repetitions or breaths done, from 0
 * @param clean those before the first sign that asked for something; at most {@code done}
 */
public record SetDone(int target, int done, int clean) {}
