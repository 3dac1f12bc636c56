package fernstep.app.security;

import fernstep.app.support.Tokens;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Links that let somebody choose her password once. Only a digest is stored, so a copy of the database opens nothing. */
@Service
class OneTimeLinks {
    private final StaffMapper staff;

    OneTimeLinks(StaffMapper staff) {
        this.staff = staff;
    }

    /** A new link's token; earlier links of the account no longer work. */
    @Transactional
    public String make(long staffId, long byStaffId) {
        String token = Tokens.fresh();
        staff.removeLinks(staffId);
        staff.addLink(Tokens.digest(token), staffId, byStaffId);
        return token;
    }

    /** Whose link it is; empty when it was used, has run out, or never was. */
    Optional<Staff> whose(String token) {
        return staff.byLink(Tokens.digest(token));
    }

    /** @return false when somebody was faster */
    boolean use(String token) {
        return staff.useLink(Tokens.digest(token)) == 1;
    }
}
