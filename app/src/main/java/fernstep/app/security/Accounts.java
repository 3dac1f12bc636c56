package fernstep.app.security;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;

/** Who works here, for other features. */
@Service
public class Accounts {
    private final StaffMapper mapper;

    Accounts(StaffMapper mapper) {
        this.mapper = mapper;
    }

    public Optional<Staff> byId(long staffId) {
        return mapper.byId(staffId);
    }

    public List<Staff> all() {
        return mapper.all();
    }
}
