package fernstep.app.check;

import fernstep.core.findings.CheckSection;

/** A section that was left out, and why. */
public record SkipRow(long visitId, CheckSection section, String reason) {}
