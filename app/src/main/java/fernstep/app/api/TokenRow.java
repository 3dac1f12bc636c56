package fernstep.app.api;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Arrays;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A token of the house, without its secret.
 *
 * @param scopes with commas
 * @param expiresOn the last day on which it opens anything
 */
public record TokenRow(
        long id,
        String name,
        String scopes,
        @Nullable String madeBy,
        LocalDateTime madeAt,
        LocalDate expiresOn,
        @Nullable LocalDateTime revokedAt,
        @Nullable LocalDateTime usedAt) {

    public Set<String> scopeNames() {
        return Arrays.stream(scopes.split(",")).collect(Collectors.toCollection(TreeSet::new));
    }
}
