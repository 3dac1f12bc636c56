package fernstep.app.support;

import java.util.Optional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Says that exactly this entry has been put down: its id, and the digest of what was sent. A browser deletes an entry on
 * this alone, so that whatever else answers in our place, it is kept.
 *
 * @param digest SHA-256 of the body as it was sent, in hexadecimal
 */
public record Receipt(String id, String digest) {
    private static final JsonMapper JSON = JsonMapper.shared();

    /** @param body of the request, as it came */
    public static Receipt of(String id, String body) {
        return new Receipt(id, Tokens.digest(body));
    }

    /** A body read as a type; empty for what is none. */
    public static <T> Optional<T> read(String body, Class<T> type) {
        try {
            JsonNode tree = JSON.readTree(body);
            return tree.isObject() ? Optional.of(JSON.treeToValue(tree, type)) : Optional.empty();
        } catch (JacksonException e) {
            return Optional.empty();
        }
    }
}
