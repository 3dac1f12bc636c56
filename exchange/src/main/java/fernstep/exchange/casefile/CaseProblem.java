package fernstep.exchange.casefile;

import org.jspecify.annotations.Nullable;

/** A request that cannot be used: where, why, and what would be allowed. */
public final class CaseProblem extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final String path;
    private final @Nullable String allowed;

    public CaseProblem(String path, String message, @Nullable String allowed) {
        super(message);
        this.path = path;
        this.allowed = allowed;
    }

    /** Dotted, lists by index: "readings[2].values[0]". Empty for the whole request. */
    public String path() {
        return path;
    }

    public @Nullable String allowed() {
        return allowed;
    }
}
