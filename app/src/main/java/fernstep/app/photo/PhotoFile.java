package fernstep.app.photo;

/** The bytes of a photo. */
public record PhotoFile(byte[] jpeg) {}
