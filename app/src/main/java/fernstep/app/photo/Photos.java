package fernstep.app.photo;

import java.time.LocalDate;
import java.util.Optional;
import org.springframework.stereotype.Service;

/** Photos of a client, for the features that show them. */
@Service
public class Photos {
    private final PhotoMapper mapper;

    Photos(PhotoMapper mapper) {
        this.mapper = mapper;
    }

    /** The day on which she agreed to photos; empty without consent. */
    public Optional<LocalDate> consent(long clientId) {
        return mapper.consent(clientId);
    }

    /** The newest of a visit. */
    public Optional<PhotoRow> latest(long visitId) {
        return mapper.latest(visitId);
    }

    /** Only her own team, and the leads of the house, see them. */
    public boolean mayBeSeenBy(long clientId, long staffId) {
        return mapper.inTeam(clientId, staffId);
    }
}
