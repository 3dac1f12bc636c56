package fernstep.app.client;

/** She is about to go: whoever keeps something of hers outside her record lets it go as well, in the same transaction. */
public record ClientErased(long clientId, String name) {}
