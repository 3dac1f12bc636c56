package fernstep.core.catalogue;

/** Seconds of one repetition without its hold. */
public record Tempo(int liftS, int returnS, int restS) {}
