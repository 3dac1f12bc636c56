package fernstep.app.rungs;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.catalogue.CatalogueProblem;
import fernstep.exchange.casefile.CataloguePackage;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;

/** The shipped strands with the house's own rungs, read anew when another instance has added one. */
@Service
public class Catalogues implements Supplier<Catalogue> {
    private static final Duration LOOK_AGAIN_AFTER = Duration.ofSeconds(2);

    private static final Logger LOG = LoggerFactory.getLogger(Catalogues.class);
    private final HouseRungMapper mapper;
    private final Clock clock;
    private final Map<String, String> shipped;
    private volatile Read now;

    private record Read(Catalogue catalogue, String state, Instant at) {}

    /**
     * A wrong file stops the start here, with file, line and reason.
     *
     * @param folder of a house's own strand files; empty for the shipped ones
     */
    public Catalogues(HouseRungMapper mapper, Clock clock, @Value("${fern.catalogue-folder:}") String folder) {
        this.mapper = mapper;
        this.clock = clock;
        this.shipped = folder.isBlank() ? CataloguePackage.texts() : CataloguePackage.texts(Path.of(folder));
        this.now = read(mapper.state());
    }

    @Override
    public Catalogue get() {
        Read read = now;
        if (clock.instant().isBefore(read.at().plus(LOOK_AGAIN_AFTER))) {
            return read.catalogue();
        }
        String state = mapper.state();
        now = state.equals(read.state()) ? new Read(read.catalogue(), state, clock.instant()) : read(state);
        return now.catalogue();
    }

    /** What would be wrong with one more rung, in words, or nothing. */
    public Optional<String> problemWith(HouseRungRow rung) {
        Map<String, String> texts = texts();
        texts.put(file(rung), rung.rungText());
        try {
            Catalogue.read(texts);
            return Optional.empty();
        } catch (CatalogueProblem e) {
            return Optional.of(e.getMessage());
        }
    }

    /** Adds a rung that has passed {@link #problemWith}. */
    public void add(HouseRungRow rung) {
        mapper.put(rung);
        now = read(mapper.state());
    }

    /** Whether the house made it, so that it can be taken away again. */
    public boolean own(String code) {
        return mapper.all().stream().anyMatch(row -> row.code().equals(code));
    }

    /**
     * Takes a rung of the house's own away.
     *
     * @return how many clients' records name it; it stays while there are any
     */
    public int remove(String code) {
        int uses = mapper.uses(code);
        if (uses == 0) {
            mapper.remove(code);
            now = read(mapper.state());
        }
        return uses;
    }

    private Read read(String state) {
        return new Read(readable(texts()), state, clock.instant());
    }

    /** A house's own rung that does not pass the check any more is left out and logged; a wrong shipped file stops the start. */
    private static Catalogue readable(Map<String, String> texts) {
        while (true) {
            try {
                return Catalogue.read(texts);
            } catch (CatalogueProblem e) {
                if (!e.file().startsWith(Catalogue.HOUSE) || texts.remove(e.file()) == null) {
                    throw e;
                }
                LOG.warn("left out: {}", e.getMessage());
            }
        }
    }

    private Map<String, String> texts() {
        Map<String, String> texts = new LinkedHashMap<>(shipped);
        mapper.all().forEach(row -> texts.put(file(row), row.rungText()));
        return texts;
    }

    private static String file(HouseRungRow rung) {
        return Catalogue.HOUSE + rung.code() + ".yaml";
    }
}
