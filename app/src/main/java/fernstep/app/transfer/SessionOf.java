package fernstep.app.transfer;

/** A session, and whether she did it at home. */
record SessionOf(String id, boolean atHome) {}
