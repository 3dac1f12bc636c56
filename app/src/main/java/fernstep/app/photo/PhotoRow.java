package fernstep.app.photo;

/** A photo without its bytes. */
public record PhotoRow(long id, long clientId, long visitId, int widthPx, int heightPx) {}
