package fernstep.app.check;

/** A section that was left out, and why. */
public record SkipRow(long visitId, CheckSection section, String reason) {}
