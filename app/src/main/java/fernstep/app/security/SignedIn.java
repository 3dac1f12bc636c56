package fernstep.app.security;

import fernstep.core.client.Licence;
import java.util.List;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.userdetails.User;

/** Who is signed in: enough to know what she may do. */
public final class SignedIn extends User {
    private static final long serialVersionUID = 1L;
    private final long staffId;
    private final String fullName;
    private final Licence licence;
    private final boolean lead;

    /** Without the password's hash: it has no business in a session. */
    SignedIn(Staff staff) {
        super(
                staff.username(),
                "",
                List.of(new SimpleGrantedAuthority("ROLE_" + staff.licence().name())));
        this.staffId = staff.id() == null ? 0 : staff.id();
        this.fullName = staff.fullName();
        this.licence = staff.licence();
        this.lead = staff.houseLead();
    }

    public long staffId() {
        return staffId;
    }

    public String getFullName() {
        return fullName;
    }

    public boolean isLead() {
        return lead;
    }

    public boolean isTherapist() {
        return licence == Licence.THERAPIST;
    }
}
