package fernstep.app.check;

/** One finding as stored; side is empty where the finding has none. */
public record FindingRow(long visitId, FindingField name, String side, String findingValue) {}
