package codrane.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import jakarta.persistence.Entity;
import org.junit.jupiter.api.Test;

class ArchitectureTest {
    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("codrane");

    @Test
    void modules_dependOnlyDownwards() {
        noClasses()
                .that()
                .resideInAPackage("codrane.core..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("codrane.link..", "codrane.standin..", "codrane.app..")
                .check(ALL);
        noClasses()
                .that()
                .resideInAPackage("codrane.link..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("codrane.standin..", "codrane.app..")
                .check(ALL);
        noClasses()
                .that()
                .resideInAPackage("codrane.standin..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("codrane.app..")
                .check(ALL);
        noClasses()
                .that()
                .resideOutsideOfPackage("codrane.app..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.springframework..", "jakarta..")
                .check(ALL);
    }

    @Test
    void application_knowsStandinsOnlyInItsCommands() {
        noClasses()
                .that()
                .resideInAPackage("codrane.app..")
                .and()
                .resideOutsideOfPackage("codrane.app.cli..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("codrane.standin..")
                .because("the application reaches vehicles over sockets only")
                .check(ALL);
    }

    @Test
    void entities_neverLeaveTheirPackage() {
        classes()
                .that()
                .areAnnotatedWith(Entity.class)
                .should()
                .bePackagePrivate()
                .because("templates and controllers see records")
                .check(ALL);
    }

    @Test
    void storage_ofAFeature_isReachedByThatFeatureOnly() {
        classes()
                .that()
                .resideInAPackage("codrane.app.job.jpa..")
                .should()
                .onlyBeAccessed()
                .byAnyPackage("codrane.app.job..", "codrane.app")
                .check(ALL);
        classes()
                .that()
                .resideInAPackage("codrane.app.baseline.jpa..")
                .should()
                .onlyBeAccessed()
                .byAnyPackage("codrane.app.baseline..")
                .check(ALL);
    }

    @Test
    void features_haveNoCycles() {
        slices().matching("codrane.app.(*)..").should().beFreeOfCycles().check(ALL);
    }

    @Test
    void commands_startWithoutSpring() {
        noClasses()
                .that()
                .resideInAPackage("codrane.app.cli..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("org.springframework..")
                .check(ALL);
    }

    @Test
    void time_comesFromTheInjectedSource() {
        noClasses()
                .that()
                .resideOutsideOfPackage("codrane.link.time..")
                .should()
                .callMethod(java.time.Instant.class, "now")
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .check(ALL);
    }
}
