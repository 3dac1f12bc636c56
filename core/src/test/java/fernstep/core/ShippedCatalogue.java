package fernstep.core;

import fernstep.core.catalogue.Catalogue;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/** The strand files as they stand in the resources. */
public final class ShippedCatalogue {
    public static final Catalogue CATALOGUE = Catalogue.read(texts());

    private ShippedCatalogue() {}

    public static Map<String, String> texts() {
        Map<String, String> texts = new TreeMap<>();
        try (Stream<Path> files = Files.list(Path.of("src/main/resources/fernstep/catalogue"))) {
            for (Path file : files.toList()) {
                texts.put(file.getFileName().toString(), Files.readString(file));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return texts;
    }
}
