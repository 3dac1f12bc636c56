package fernstep.app.rungs;

/** A practitioner's own rung, as a strand file that holds it alone. */
public record HouseRungRow(String code, String rungText, long staffId) {}
