package fernstep.app.check;

import fernstep.core.findings.Finding;

/** One finding as stored; side is empty where the finding has none. */
public record FindingRow(long visitId, Finding name, String side, String findingValue) {}
