package codrane.app;

import static com.tngtech.archunit.base.DescribedPredicate.describe;
import static com.tngtech.archunit.base.DescribedPredicate.not;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.plan.Stage;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import jakarta.persistence.Entity;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.data.repository.Repository;
import org.springframework.stereotype.Component;
import org.springframework.web.multipart.MultipartFile;

class ArchitectureTest {
    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .withImportOption(location -> !location.contains("__") && !location.contains("$$")) // made for the start
            .importPackages("codrane");

    /** Leases, the run journal with its moving mark, LISTEN and NOTIFY, chunks of files, the audit chain and its readers. */
    private static final Set<String> SQL = Set.of(
            "live.Leases",
            "live.RunStore",
            "live.LiveHub",
            "shelf.FileStore",
            "records.AuditTrail",
            "records.AuditRows",
            "cli.AuditCommand",
            "web.DatabaseWatch"); // asks only whether the database answers

    private static String topLevel(JavaClass c) {
        return c.getName().replace("codrane.app.", "").replaceAll("\\$.*", "");
    }

    /** Up to 1 GB may come: what is taken whole is bounded by the one who takes it. */
    @Test
    void uploads_areTakenIntoTheHeapInOnePlace() {
        noClasses()
                .that()
                .doNotHaveFullyQualifiedName("codrane.app.workshop.Uploaded")
                .should()
                .callMethod(MultipartFile.class, "getBytes")
                .check(ALL);
    }

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
    void repositories_stayInTheirRoom() {
        classes()
                .that()
                .areAssignableTo(Repository.class)
                .should()
                .bePackagePrivate()
                .because("what is kept is asked for by who keeps it")
                .check(ALL);
    }

    /** What two rooms need lies in core, or in a service below them. */
    @Test
    void rooms_doNotUseEachOther() {
        for (Stage stage : Stage.values())
            noClasses()
                    .that()
                    .resideInAPackage("codrane.app.stage." + stage.key() + "..")
                    .should()
                    .dependOnClassesThat(resideInAPackage("codrane.app.stage..")
                            .and(not(resideInAPackage("codrane.app.stage." + stage.key() + ".."))))
                    .check(ALL);
        noClasses()
                .that()
                .resideOutsideOfPackage("codrane.app.stage..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("codrane.app.stage..")
                .because("the frame knows a room by one interface")
                .check(ALL);
    }

    @Test
    void packages_haveNoCycles() {
        slices().matching("codrane.app.(*)..").should().beFreeOfCycles().check(ALL);
        slices().matching("codrane.core.job.(*)..").should().beFreeOfCycles().check(ALL);
        noClasses()
                .that()
                .resideInAPackage("codrane.app.*..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("codrane.app")
                .because("the root holds the main class alone")
                .check(ALL);
    }

    /** Plain SQL is for what Hibernate can't say; each says why. */
    @Test
    void sql_isWrittenByTheNamedClassesOnly() {
        noClasses()
                .that(not(describe("the named ones", c -> SQL.contains(topLevel(c)))))
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("java.sql..", "org.springframework.jdbc..")
                .check(ALL);
    }

    @Test
    void jobWithoutAWeb_knowsNeitherPagesNorRows() {
        noClasses()
                .that()
                .resideInAPackage("codrane.core.job..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("tools.jackson..", "java.net..", "java.sql..")
                .check(ALL);
    }

    /** Who needs more has more than one thing to do. */
    @Test
    void components_areGivenSevenThingsAtMost() {
        List<String> given = ALL.stream()
                .filter(c -> c.isMetaAnnotatedWith(Component.class))
                .flatMap(c -> c.getConstructors().stream())
                .filter(c -> c.getRawParameterTypes().size() > 7)
                .map(c -> c.getOwner().getName())
                .toList();
        assertThat(given).isEmpty();
    }

    @Test
    void classes_ofTheApplicationAreShort() throws IOException {
        List<String> tooLong = new ArrayList<>();
        try (Stream<Path> files = Files.walk(Path.of("src", "main", "java"))) {
            for (Path file : files.filter(f -> f.toString().endsWith(".java")).toList())
                if (Files.readAllLines(file).size() > 300)
                    tooLong.add(file.getFileName().toString());
        }
        assertThat(tooLong).isEmpty();
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
