package fernstep.app.trace;

/** Some seconds of a recording. */
record BatchRow(long recordingId, int batch, double firstMs, double lastMs, int samples, byte[] body) {}
