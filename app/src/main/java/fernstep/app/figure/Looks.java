package fernstep.app.figure;

import org.springframework.stereotype.Service;

/** How each client is drawn. */
@Service("looks")
public class Looks {
    private final LookMapper mapper;

    Looks(LookMapper mapper) {
        this.mapper = mapper;
    }

    /** Neutral where nothing was chosen. */
    public Look of(long clientId) {
        return mapper.of(clientId).orElse(Look.NEUTRAL);
    }

    /** As she, or somebody with her, chose it. */
    public void put(long clientId, Look look) {
        mapper.put(clientId, look);
    }

    /** For whatever holds figures of hers. */
    public String classesOf(long clientId) {
        return of(clientId).classes();
    }
}
