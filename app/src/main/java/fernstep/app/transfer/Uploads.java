package fernstep.app.transfer;

import fernstep.app.client.ClientErased;
import java.util.concurrent.TimeUnit;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Files brought in to be looked at: they go after an hour, and with whoever of them is erased. */
@Component
class Uploads {
    private static final long LOOKS_EVERY_MIN = 10;

    private final TransferMapper files;
    private final TableMapper tables;

    Uploads(TransferMapper files, TableMapper tables) {
        this.files = files;
        this.tables = tables;
    }

    @Scheduled(initialDelay = 1, fixedDelay = LOOKS_EVERY_MIN, timeUnit = TimeUnit.MINUTES)
    void forgetOld() {
        files.forget();
        files.forgetTaken();
        tables.forget();
    }

    /** What was taken keeps that it was; what was only looked at must not bring her back. */
    @EventListener
    void forgetHer(ClientErased her) {
        files.forgetLookedAt(her.name());
        files.forgetHer(her.clientId());
        tables.forgetLookedAt(her.name());
        tables.forgetHer(her.clientId(), her.name());
    }
}
