package fernstep.app.home;

import fernstep.app.standing.Heard;
import fernstep.app.standing.Standings;
import fernstep.app.support.Audit;
import fernstep.app.support.Today;
import fernstep.app.support.Tokens;
import fernstep.core.standing.Concern;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Links to home pages: made, opened with a PIN, locked, revoked. */
@Service
public class HomeLinks {
    private static final SecureRandom RANDOM = new SecureRandom();
    private static final int PINS = 1_000_000;
    private static final int PASS_DAYS = 30;

    private final HomeLinkMapper mapper;
    private final Standings standings;
    private final PasswordEncoder encoder;
    private final Audit audit;
    private final Today today;
    private final Clock clock;

    HomeLinks(
            HomeLinkMapper mapper,
            Standings standings,
            PasswordEncoder encoder,
            Audit audit,
            Today today,
            Clock clock) {
        this.mapper = mapper;
        this.standings = standings;
        this.encoder = encoder;
        this.audit = audit;
        this.today = today;
        this.clock = clock;
    }

    /**
     * What is shown once and kept nowhere.
     *
     * @param token for the address
     * @param pin six digits, told to her apart from the address
     */
    public record Fresh(String token, String pin) {}

    /** What became of a PIN. */
    sealed interface Tried {
        /** @param pass for the phone's cookie */
        record Opened(String pass) implements Tried {}

        /** @param left tries before it locks */
        record Wrong(int left) implements Tried {}

        /** Not looked at: too soon after the last one. */
        record Wait(long seconds) implements Tried {}

        record Locked() implements Tried {}
    }

    /** @param weeks for how long it opens */
    @Transactional
    public Fresh make(long clientId, long staffId, int weeks) {
        Fresh fresh = new Fresh(Tokens.fresh(), String.format("%06d", RANDOM.nextInt(PINS)));
        mapper.put(
                clientId,
                Tokens.digest(fresh.token()),
                encoder.encode(fresh.pin()),
                staffId,
                today.date().plusWeeks(weeks));
        audit.record(staffId, clientId, "HOME_LINK_MADE", weeks + " weeks");
        return fresh;
    }

    @Transactional
    public void revoke(long clientId, long staffId) {
        mapper.remove(clientId);
        audit.record(staffId, clientId, "HOME_LINK_REVOKED", "");
    }

    Optional<HomeLink> ofClient(long clientId) {
        return mapper.ofClient(clientId);
    }

    /** Empty for a link that never was, was revoked, or belongs to an archived client. */
    Optional<HomeLink> find(String token) {
        String digest = Tokens.digest(token);
        return mapper.byHash(digest)
                .filter(link -> MessageDigest.isEqual(
                        link.tokenHash().getBytes(StandardCharsets.US_ASCII),
                        digest.getBytes(StandardCharsets.US_ASCII)));
    }

    boolean expired(HomeLink link) {
        return today.date().isAfter(link.expiresOn());
    }

    /** @param pass from the phone's cookie; null without one */
    boolean opens(HomeLink link, @Nullable String pass) {
        return pass != null
                && !link.locked()
                && !expired(link)
                && mapper.passOpens(Tokens.digest(pass), link.clientId(), LocalDateTime.now(clock));
    }

    /** A locked link stays locked for the right PIN too. */
    Tried tryPin(HomeLink link, String pin) {
        if (link.locked()) {
            return new Tried.Locked();
        }
        LocalDateTime now = LocalDateTime.now(clock);
        long wait = link.waitS(now);
        if (wait > 0) {
            return new Tried.Wait(wait);
        }
        // counted before it is judged: of many at the same moment one is, and the others wait
        if (!mapper.claimTry(link.clientId(), link.wrongTries(), HomeLink.MOST_TRIES, now)) {
            return new Tried.Wait(1);
        }
        if (encoder.matches(pin.strip(), link.pinHash())) {
            mapper.rightTry(link.clientId());
            String pass = Tokens.fresh();
            mapper.putPass(Tokens.digest(pass), link.clientId(), now.plusDays(PASS_DAYS));
            audit.record(0, link.clientId(), "HOME_PAGE_OPENED", "");
            return new Tried.Opened(pass);
        }
        audit.record(0, link.clientId(), "HOME_PIN_WRONG", "");
        int tries = link.wrongTries() + 1;
        if (tries < HomeLink.MOST_TRIES) {
            return new Tried.Wrong(HomeLink.MOST_TRIES - tries);
        }
        standings.report(link.clientId(), new Concern.PageLocked(HomeLink.MOST_TRIES), Heard.fromHome(now.withNano(0)));
        return new Tried.Locked();
    }

    void leave(String pass) {
        mapper.removePass(Tokens.digest(pass));
    }
}
