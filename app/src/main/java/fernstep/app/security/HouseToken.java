package fernstep.app.security;

import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.security.authentication.AbstractAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;

/** Another program that reads with a token of the house: nobody of the staff, on nobody's team. */
public final class HouseToken extends AbstractAuthenticationToken {
    private static final long serialVersionUID = 1L;
    /** Before a scope's name, in what it may do. */
    public static final String SCOPE = "SCOPE_";

    private final long id;
    private final String name;

    public HouseToken(long id, String name, Set<String> scopes) {
        super(scopes.stream()
                .map(scope -> new SimpleGrantedAuthority(SCOPE + scope))
                .toList());
        this.id = id;
        this.name = name;
        setAuthenticated(true);
    }

    public long id() {
        return id;
    }

    @Override
    public Object getCredentials() {
        return "";
    }

    @Override
    public Object getPrincipal() {
        return this;
    }

    @Override
    public String getName() {
        return name;
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof HouseToken token && token.id == id;
    }

    @Override
    public int hashCode() {
        return Long.hashCode(id);
    }

    /** What it is called in the audit trail. */
    public String inTheTrail() {
        return "token " + id + " " + ": " + name;
    }
}
