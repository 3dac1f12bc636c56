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

    SignedIn(Staff staff) {
        super(
                staff.username(),
                staff.passwordHash(),
                List.of(new SimpleGrantedAuthority("ROLE_" + staff.licence().name())));
        this.staffId = staff.id() == null ? 0 : staff.id();
        this.fullName = staff.fullName();
        this.licence = staff.licence();
    }

    public long staffId() {
        return staffId;
    }

    public String getFullName() {
        return fullName;
    }

    public boolean isTherapist() {
        return licence == Licence.THERAPIST;
    }
}
