package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.JobDesk;
import codrane.core.job.BenchCheck;
import codrane.core.job.IntakeNotes;
import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.School;
import codrane.core.vin.Vin;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Instant;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;

/** A database from before the rooms: every row of it is still known. */
class MigrationTest {
    private static final long NUMBER = 2299;

    @Test
    void databaseOfVersion9_migrated_knowsEverythingOfItsJob() throws Exception {
        TestDatabase.Database database = TestDatabase.fresh();
        flyway(database, "9");
        try (Connection connection = DriverManager.getConnection(database.url(), database.user(), database.password());
                Statement statement = connection.createStatement();
                var script = MigrationTest.class.getResourceAsStream("/database-9.sql")) {
            statement.execute(new String(script.readAllBytes(), StandardCharsets.UTF_8));
        }
        App app = RunningApp.launch(TestWorld.standins(false, 8), database);
        try {
            JobState state = app.bean(JobDesk.class).state(NUMBER);
            arrival(state);
            decisions(state);
            erased(app);
        } finally {
            app.context().close();
            app.world().close();
        }
    }

    private static void flyway(TestDatabase.Database database, String version) {
        Flyway.configure()
                .dataSource(database.url(), database.user(), database.password())
                .target(version)
                .load()
                .migrate();
    }

    private static void arrival(JobState state) {
        assertThat(state.job().vin()).isEqualTo(new Vin("0BKLR3A46MN004127"));
        assertThat(state.intake().oldModule()).contains(IntakeNotes.OldModule.STILL_IN);
        assertThat(state.intake().details().mileage()).contains(84_210);
        assertThat(state.benched().oldReading().orElseThrow().sentence()).isEqualTo("It was read.");
        assertThat(state.linkCheck().flatMap(BenchCheck::volts)).contains(13.7);
        assertThat(state.benched().notes().cableSeen()).isTrue();
        assertThat(state.benched().stranger().orElseThrow().vin()).isEqualTo("0BKLR3A48MN004131");
        assertThat(state.scans().latest().orElseThrow().readings()).containsKey("body");
        assertThat(state.faultNote("body", "U1A04-11")).contains("sensor covered");
        assertThat(state.personHold(HoldPoint.CONSENT)).isPresent();
    }

    /** A run that was stopped before is gone on with after: what it erased is known by its task. */
    private static void erased(App app) {
        assertThat(app.bean(JdbcClient.class)
                        .sql("select number from journal where task = 1 order by number")
                        .query(Integer.class)
                        .list())
                .containsExactly(3, 4);
    }

    private static void decisions(JobState state) {
        assertThat(state.plan().orElseThrow().plan().operations()).hasSize(1);
        assertThat(state.decided().notes().offered()).isEqualTo("BK-67220-B3");
        assertThat(state.putBack())
                .singleElement()
                .satisfies(p -> assertThat(p.value()).isEqualTo("none"));
        assertThat(state.decided()
                        .policy()
                        .overrule(School.NEIGHBOURS)
                        .orElseThrow()
                        .reason())
                .isEqualTo("as agreed");
        assertThat(state.prepared().noted().get("pass:brennick").due()).contains(Instant.parse("2026-03-04T10:00:00Z"));
        assertThat(state.prepared().sheets())
                .singleElement()
                .satisfies(s -> assertThat(s.content()).isEqualTo("LFT/01  00 | 00"));
    }
}
