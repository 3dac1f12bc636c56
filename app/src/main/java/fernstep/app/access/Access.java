package fernstep.app.access;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import fernstep.app.support.Audit;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** By default everyone of the house sees all its clients; a restricted client is for her team alone. */
@Service
public class Access {
    private static final int SESSIONS_KNOWN = 1_000;

    private final AccessMapper mapper;
    private final Audit audit;
    /** Whose a session is never changes; whether she may be seen is asked every time. */
    private final Cache<String, Long> sessions =
            Caffeine.newBuilder().maximumSize(SESSIONS_KNOWN).build();

    Access(AccessMapper mapper, Audit audit) {
        this.mapper = mapper;
        this.audit = audit;
    }

    /** Someone of the house, and whether she is on the team. */
    public record Member(long staffId, String fullName, boolean onTeam) {}

    /**
     * How one client stands to one of the staff.
     *
     * @param onTeam whether she is one of those who look after her
     */
    public record Standing(long clientId, boolean restricted, boolean archived, boolean onTeam) {
        public boolean maySee() {
            return !restricted || onTeam;
        }
    }

    /** Empty where there is no such client. */
    public Optional<Standing> client(long clientId, long staffId) {
        return mapper.standing(clientId, staffId);
    }

    public Optional<Long> clientOfVisit(long visitId) {
        return mapper.clientOfVisit(visitId);
    }

    public Optional<Long> clientOfSession(String sessionId) {
        Optional<Long> known = Optional.ofNullable(sessions.getIfPresent(sessionId));
        if (known.isPresent()) {
            return known;
        }
        Optional<Long> found = mapper.clientOfSession(sessionId);
        found.ifPresent(client -> sessions.put(sessionId, client));
        return found;
    }

    public Optional<Long> clientOfPhoto(long photoId) {
        return mapper.clientOfPhoto(photoId);
    }

    /** Those a list must leave out for her: restricted to teams she is not on, and archived. */
    public Set<Long> hiddenFrom(long staffId) {
        return new HashSet<>(mapper.hiddenFrom(staffId));
    }

    /** A record that lists leave out for somebody. */
    public record Closed(long clientId, String name, boolean restricted, boolean archived) {}

    /** Restricted to teams she is not on, and archived, by name: for a lead, who may let herself in. */
    public List<Closed> closedTo(long staffId) {
        return mapper.closedTo(staffId);
    }

    public List<Member> members(long clientId) {
        return mapper.members(clientId);
    }

    @Transactional
    public void restrict(long clientId, boolean restricted, long byStaffId) {
        mapper.restrict(clientId, restricted);
        if (restricted) {
            // somebody must still be able to open her: whoever closes her is on her team
            mapper.join(clientId, byStaffId);
        }
        audit.record(byStaffId, clientId, restricted ? "CLIENT_RESTRICTED" : "CLIENT_OPENED_TO_ALL", "");
    }

    @Transactional
    public void join(long clientId, long staffId, long byStaffId, String why) {
        mapper.join(clientId, staffId);
        audit.record(
                byStaffId, clientId, "TEAM_JOINED", "account " + staffId + (why.isBlank() ? "" : ": " + why.strip()));
    }

    @Transactional
    public void leave(long clientId, long staffId, long byStaffId) {
        mapper.leave(clientId, staffId);
        audit.record(byStaffId, clientId, "TEAM_LEFT", "account " + staffId);
    }
}
