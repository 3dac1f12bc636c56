package fernstep.core.catalogue;

/**
 * Seconds of one repetition without its hold.
 *
 * @param liftS from 0
 * @param returnS from 0
 * @param restS from 0
 */
public record Tempo(int liftS, int returnS, int restS) {}
