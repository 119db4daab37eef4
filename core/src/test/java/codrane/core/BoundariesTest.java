package codrane.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

class BoundariesTest {
    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("codrane.core");

    @Test
    void core_knowsNoFrameworkAndNoOuterWorld() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "org.springframework..",
                        "jakarta..",
                        "java.io..",
                        "java.net..",
                        "java.nio.file..",
                        "java.sql..",
                        "java.nio.channels..")
                .because("core is rules and computation: no Spring and no I/O")
                .check(CORE);
    }

    @Test
    void core_hasNoClockOfItsOwn() {
        noClasses()
                .should()
                .callMethod(java.time.Instant.class, "now")
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .orShould()
                .callMethod(System.class, "nanoTime")
                .because("time comes in as an argument")
                .check(CORE);
    }

    @Test
    void core_packagesHaveNoCycles() {
        slices().matching("codrane.core.(*)..").should().beFreeOfCycles().check(CORE);
    }
}
