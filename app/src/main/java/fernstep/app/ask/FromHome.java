package fernstep.app.ask;

import fernstep.app.support.Audit;
import fernstep.app.support.NotFound;
import fernstep.core.screening.Answer;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What clients told from home. An answer that closes stands in every visit from that day on, until a person with the
 * licence takes it back; the others count on their day.
 */
@Service
public class FromHome {
    private final HomeFlagMapper mapper;
    private final Audit audit;

    FromHome(HomeFlagMapper mapper, Audit audit) {
        this.mapper = mapper;
        this.audit = audit;
    }

    /** Telling the same again tells nothing more. */
    public void tell(long clientId, HomeFlag.Kind kind, String code, LocalDateTime toldAt) {
        mapper.insert(clientId, kind, code, toldAt);
    }

    /** What nobody has looked at yet, newest first. */
    public List<HomeFlag> open(long clientId) {
        return mapper.open(clientId);
    }

    /** Answers from home that count on a day. */
    public Set<Answer> standing(long clientId, LocalDate day) {
        return standing(open(clientId), day);
    }

    /** What nobody has looked at yet, by client. */
    Map<Long, List<HomeFlag>> openOf(Collection<Long> clients) {
        return mapper.openOf(clients).stream().collect(Collectors.groupingBy(HomeFlag::clientId));
    }

    /** Of one client's open flags, the answers that count on a day. */
    static Set<Answer> standing(List<HomeFlag> open, LocalDate day) {
        return open.stream()
                .filter(f -> f.toldAt().toLocalDate().equals(day)
                        || (f.closes() && f.toldAt().toLocalDate().isBefore(day)))
                .flatMap(f -> f.answer().stream())
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Answer.class)));
    }

    /**
     * Somebody has looked after it.
     *
     * @param how what was done
     * @throws AccessDeniedException where it takes a licence to take back and who asks has none
     */
    @Transactional
    public void attend(long clientId, long flagId, boolean licensed, long staffId, String how) {
        HomeFlag flag = mapper.byId(clientId, flagId).orElseThrow(() -> new NotFound("no flag " + flagId));
        if (flag.closes() && !licensed) {
            throw new AccessDeniedException("only a therapist takes back an answer that closes");
        }
        if (flag.attendedAt() == null) {
            mapper.attend(flagId, staffId, how);
            audit.record(staffId, clientId, "FROM_HOME_ATTENDED", flag.code() + ": " + how);
        }
    }

    /** The answer was taken back, or overridden, in a visit: it stands from home no longer either. */
    void takenBack(long clientId, Answer code, long staffId, String how) {
        open(clientId).stream()
                .filter(f -> f.answer().filter(code::equals).isPresent())
                .forEach(f -> mapper.attend(f.id(), staffId, how));
    }
}
