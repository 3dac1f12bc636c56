package fernstep.app.run;

import fernstep.app.rungs.Catalogues;
import fernstep.app.support.Today;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Closes sessions that were left open on an earlier day: what was done in them counts, and they do not go on. */
@Component
class UnfinishedSessions {
    private static final Logger LOG = LoggerFactory.getLogger(UnfinishedSessions.class);
    private static final long LOOKS_EVERY_MS = 300_000;
    private static final long FIRST_LOOK_MS = 20_000;

    private final SessionMapper mapper;
    private final SessionLog log;
    private final SessionWriter writer;
    private final Catalogues catalogues;
    private final Today today;

    UnfinishedSessions(SessionMapper mapper, SessionLog log, SessionWriter writer, Catalogues catalogues, Today today) {
        this.mapper = mapper;
        this.log = log;
        this.writer = writer;
        this.catalogues = catalogues;
        this.today = today;
    }

    @Scheduled(initialDelay = FIRST_LOOK_MS, fixedDelay = LOOKS_EVERY_MS)
    void look() {
        List<SessionRow> open = mapper.leftOpen(today.date());
        for (SessionRow row : open) {
            try {
                close(row);
            } catch (RuntimeException e) {
                LOG.error("session {} could not be closed", row.id(), e);
            }
        }
    }

    /** Where it was left open on an earlier day; closing it again changes nothing. */
    @Transactional
    public void close(SessionRow row) {
        if (row.finishedAt() == null && row.heldOn().isBefore(today.date())) {
            writer.close(row, log.replay(row.id(), catalogues.get()));
        }
    }
}
