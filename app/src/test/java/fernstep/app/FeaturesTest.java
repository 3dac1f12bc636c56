package fernstep.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.Dependency;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import org.junit.jupiter.api.Test;

/** The app's features are fenced as the core's packages are. */
class FeaturesTest {
    private static final JavaClasses APP = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("fernstep.app");

    @Test
    void features_have_no_cycles() {
        slices().matching("fernstep.app.(*)..").should().beFreeOfCycles().check(APP);
    }

    @Test
    void anothers_tables_are_reached_only_through_its_service() {
        noClasses()
                .should(new ArchCondition<>("use a mapper of another feature") {
                    @Override
                    public void check(JavaClass user, ConditionEvents events) {
                        user.getDirectDependenciesFromSelf().stream()
                                .filter(dependency -> isMapper(dependency.getTargetClass()))
                                .filter(dependency -> !dependency
                                        .getTargetClass()
                                        .getPackageName()
                                        .equals(user.getPackageName()))
                                .forEach(dependency ->
                                        events.add(SimpleConditionEvent.satisfied(dependency, words(dependency))));
                    }
                })
                .check(APP);
    }

    private static boolean isMapper(JavaClass type) {
        return type.getPackageName().startsWith("fernstep.app.")
                && type.isAnnotatedWith("org.apache.ibatis.annotations.Mapper")
                && !type.getPackageName().equals("fernstep.app.support");
    }

    private static String words(Dependency dependency) {
        return dependency.getDescription();
    }
}
