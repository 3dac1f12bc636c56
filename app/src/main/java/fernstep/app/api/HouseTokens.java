package fernstep.app.api;

import fernstep.app.security.HouseToken;
import fernstep.app.support.Audit;
import fernstep.app.support.Today;
import fernstep.app.support.Tokens;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The tokens of the house, and how often each may ask. */
@Service
class HouseTokens {
    private static final int SECONDS_PER_MINUTE = 60;

    private final TokenMapper mapper;
    private final Audit audit;
    private final Today today;
    private final Clock clock;
    private final int callsPerMinute;

    HouseTokens(
            TokenMapper mapper,
            Audit audit,
            Today today,
            Clock clock,
            @Value("${fern.api-calls-per-minute:120}") int callsPerMinute) {
        this.mapper = mapper;
        this.audit = audit;
        this.today = today;
        this.clock = clock;
        this.callsPerMinute = callsPerMinute;
    }

    /** @return the secret, which is kept nowhere */
    @Transactional
    public String make(String formId, String name, Set<Scope> scopes, LocalDate expiresOn, long staffId) {
        String secret = Tokens.fresh();
        mapper.insert(
                formId,
                name,
                Tokens.digest(secret),
                scopes.stream().sorted().map(Enum::name).collect(Collectors.joining(",")),
                staffId,
                expiresOn);
        audit.record(staffId, null, "TOKEN_MADE", name + " until " + expiresOn + ": " + scopes);
        return secret;
    }

    List<TokenRow> all() {
        return mapper.all();
    }

    @Transactional
    public void revoke(long id, long staffId) {
        if (mapper.revoke(id) > 0) {
            audit.record(staffId, null, "TOKEN_REVOKED", "token " + id);
        }
    }

    /** Empty where it never was one, is over or was revoked. */
    Optional<HouseToken> opened(String secret) {
        Optional<TokenRow> row = mapper.byHash(Tokens.digest(secret))
                .filter(tokenRow ->
                        tokenRow.revokedAt() == null && !tokenRow.expiresOn().isBefore(today.date()));
        row.ifPresent(tokenRow -> mapper.used(tokenRow.id()));
        return row.map(tokenRow -> new HouseToken(tokenRow.id(), tokenRow.name(), tokenRow.scopeNames()));
    }

    /** Counts a call: 0 where it may be answered, else the seconds to wait. */
    int waitS(String caller) {
        long second = clock.instant().getEpochSecond();
        long minute = second / SECONDS_PER_MINUTE;
        mapper.call(caller, minute);
        return mapper.calls(caller, minute) <= callsPerMinute
                ? 0
                : (int) (SECONDS_PER_MINUTE - second % SECONDS_PER_MINUTE);
    }
}
