package fernstep.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import fernstep.core.catalogue.Rung;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class ArchitectureTest {
    private static final List<String> IN_ORDER = List.of(
            "measure",
            "client",
            "approach",
            "screening",
            "separation",
            "findings",
            "body",
            "catalogue",
            "standing",
            "decision",
            "spotting",
            "plan",
            "schedule",
            "progress",
            "session",
            "forecast",
            "caseload",
            "trace");
    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("fernstep.core");

    @Test
    void a_package_uses_only_those_above_it() {
        var layers = layeredArchitecture().consideringOnlyDependenciesInLayers();
        for (String name : IN_ORDER) {
            layers = layers.layer(name).definedBy("fernstep.core." + name + "..");
        }
        for (int i = 0; i < IN_ORDER.size(); i++) {
            List<String> below = IN_ORDER.subList(i + 1, IN_ORDER.size());
            layers = below.isEmpty()
                    ? layers.whereLayer(IN_ORDER.get(i)).mayNotBeAccessedByAnyLayer()
                    : layers.whereLayer(IN_ORDER.get(i)).mayOnlyBeAccessedByLayers(below.toArray(String[]::new));
        }
        layers.check(CORE);
    }

    @Test
    void packages_have_no_cycles() {
        slices().matching("fernstep.core.(*)..").should().beFreeOfCycles().check(CORE);
    }

    @Test
    void the_core_knows_no_framework_no_files_no_clock() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.springframework..", "java.sql..", "java.io..", "java.nio..", "tools.jackson..")
                .because("time, seeds and texts come in as arguments")
                .allowEmptyShould(false)
                .check(CORE.that(com.tngtech.archunit.base.DescribedPredicate.describe(
                        "all but the YAML reader",
                        javaClass -> !javaClass.getSimpleName().equals("YamlPart"))));
        noClasses()
                .should()
                .callMethod(java.time.LocalDate.class, "now")
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .check(CORE);
    }

    /** The strand files say what a rung means to the rules. */
    @Test
    void no_rung_is_named_in_code() throws IOException {
        Set<String> named = new TreeSet<>();
        try (Stream<Path> files = Files.walk(Path.of("src/main/java"))) {
            for (Path file :
                    files.filter(path -> path.toString().endsWith(".java")).toList()) {
                String code = Files.readString(file);
                for (Rung rung : ShippedCatalogue.CATALOGUE.rungs()) {
                    if (code.contains("\"" + rung.code() + "\"")) {
                        named.add(file.getFileName() + ": " + rung.code());
                    }
                }
            }
        }
        assertThat(named).isEmpty();
    }
}
