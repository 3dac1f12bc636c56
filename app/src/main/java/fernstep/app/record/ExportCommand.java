package fernstep.app.record;

import fernstep.app.client.Clients;
import fernstep.app.support.Audit;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.stereotype.Component;

/** {@code ./fern export-client}: everything about one client to a file, without a page. */
@Component
@ConditionalOnProperty("fern.export-client")
class ExportCommand implements ApplicationRunner {
    private static final long NOBODY_SIGNED_IN = 0;

    private final Everything everything;
    private final Clients clients;
    private final Audit audit;
    private final ConfigurableApplicationContext context;
    private final long clientId;
    private final Path file;

    ExportCommand(
            Everything everything,
            Clients clients,
            Audit audit,
            ConfigurableApplicationContext context,
            @Value("${fern.export-client}") long clientId,
            @Value("${fern.export-file}") Path file) {
        this.everything = everything;
        this.clients = clients;
        this.audit = audit;
        this.context = context;
        this.clientId = clientId;
        this.file = file;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        clients.file(clientId);
        Files.write(file, everything.of(clientId));
        audit.record(NOBODY_SIGNED_IN, clientId, "CLIENT_EXPORTED", "from the command line");
        context.close();
    }
}
