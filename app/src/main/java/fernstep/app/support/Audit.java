package fernstep.app.support;

import jakarta.servlet.http.HttpServletRequest;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Who did what, to whose record, when and from where. Only ever added to: the database account of the app may do no more. */
@Service
public class Audit {
    private static final int LONGEST = 500;

    private final AuditMapper mapper;

    Audit(AuditMapper mapper) {
        this.mapper = mapper;
    }

    /**
     * One line of the trail.
     *
     * @param staffId 0 where nobody is signed in
     */
    public record Line(
            long id,
            LocalDateTime at,
            long staffId,
            @Nullable String staffName,
            @Nullable Long clientId,
            String what,
            String address,
            @Nullable String detail) {}

    /** @param staffId 0 where nobody is signed in */
    @Transactional
    public void record(long staffId, @Nullable Long clientId, String what, String detail) {
        AuditMapper.Entry entry = new AuditMapper.Entry(staffId, clientId, what, address());
        mapper.insert(entry);
        if (!detail.isEmpty()) {
            mapper.insertDetail(entry.id(), clientId, detail.substring(0, Math.min(LONGEST, detail.length())));
        }
    }

    public int count(long clientId, String what) {
        return mapper.count(clientId, what);
    }

    /**
     * Newest first.
     *
     * @param most lines at most
     */
    public List<Line> lines(
            @Nullable Long staffId,
            @Nullable Long clientId,
            @Nullable String what,
            @Nullable LocalDate from,
            @Nullable LocalDate to,
            int most) {
        return mapper.lines(staffId, clientId, what, from, to == null ? null : to.plusDays(1), most);
    }

    /** Every kind of line there is, for the filter. */
    public List<String> kinds() {
        return mapper.kinds();
    }

    /** What the trail says about one client goes with her; that something was done, and by whom, stays. */
    @Transactional
    public void forget(long clientId) {
        mapper.forget(clientId);
    }

    private static String address() {
        if (RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes now) {
            HttpServletRequest request = now.getRequest();
            String address = request.getRemoteAddr();
            return address == null ? "" : address;
        }
        return "";
    }
}
