package fernstep.exchange.casefile;

import fernstep.core.catalogue.Catalogue;
import fernstep.core.screening.Strand;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/** The strand files that ship with the core. */
public final class CataloguePackage {
    private static final String FOLDER = "/fernstep/catalogue/";

    private CataloguePackage() {}

    /** @throws fernstep.core.catalogue.CatalogueProblem naming file, line and reason */
    public static Catalogue shipped() {
        return Catalogue.read(texts());
    }

    /**
     * A house's own strand files instead of the shipped ones.
     *
     * @throws fernstep.core.catalogue.CatalogueProblem naming file, line and reason
     */
    public static Catalogue from(Path folder) {
        return Catalogue.read(texts(folder));
    }

    /** The text of each file of a house's own folder under its name. */
    public static Map<String, String> texts(Path folder) {
        Map<String, String> texts = new TreeMap<>();
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file :
                    files.filter(path -> path.toString().endsWith(".yaml")).toList()) {
                texts.put(file.getFileName().toString(), Files.readString(file));
            }
        } catch (IOException e) {
            throw new UncheckedIOException("catalogue folder " + folder, e);
        }
        return texts;
    }

    /** The text of each shipped file under its name: postures, then strands in order. */
    public static Map<String, String> texts() {
        Map<String, String> texts = new LinkedHashMap<>();
        put(texts, Catalogue.POSTURES);
        for (Strand strand : Strand.values()) {
            put(texts, strand.name().toLowerCase(Locale.ROOT).replace('_', '-') + ".yaml");
        }
        return texts;
    }

    private static void put(Map<String, String> texts, String file) {
        try (InputStream in = Catalogue.class.getResourceAsStream(FOLDER + file)) {
            if (in != null) {
                texts.put(file, new String(in.readAllBytes(), StandardCharsets.UTF_8));
            }
        } catch (IOException e) {
            throw new UncheckedIOException("catalogue file " + file, e);
        }
    }
}
