package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.live.RunStore;
import codrane.core.job.JobRun;
import codrane.standin.StandinWorld;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Long tests of what ends in the middle: {@code ./codrane test --kill}. */
@EnabledIfSystemProperty(named = "codrane.kill", matches = "\\d+")
class KillTest {
    private static final int STALL_SECONDS = 13;
    private static final int LANES = 2;
    private static final int MOST_KILLS = 40;
    /** Slow enough that a run is still under way when it is killed. */
    private static final int SPEED = 1;

    /** Mostly soon after the start; now and then it gets so far that what comes after a transfer is met too. */
    private static final int SOON_MILLIS = 5_000;

    private static final int LATE_MILLIS = 15_000;
    private static final String DONE = "Run is done";
    private static final Logger LOG = LoggerFactory.getLogger(KillTest.class);

    /** The database stands still for longer than a lease and a session last: the transfer goes on where it was. */
    @Test
    void databaseStalls_inATransfer_theRunGoesOnAndErasesOnce() throws Exception {
        try (StandinWorld world = TestWorld.standins(false, 4)) {
            App app = RunningApp.launch(world);
            JobSteps job = new JobSteps(app, "tail-lift").toRun("LFT-312-B");
            WebSession web = WebSession.signIn(app.url(), "tech");
            job.run();
            KillAndRecoverTest.awaitTransfer(world, "tail-lift", 100);
            List<Long> processes = databaseProcesses(app);
            signal("STOP", processes);
            try {
                Until.later(Duration.ofSeconds(4));
                long before = System.nanoTime();
                assertThat(web.status("/")).isEqualTo(503);
                assertThat(System.nanoTime() - before).isLessThan(3_000_000_000L);
                Until.later(Duration.ofSeconds(STALL_SECONDS - 4));
            } finally {
                signal("CONT", processes);
            }
            Until.so(() -> !job.facts().run().orElseThrow().running());
            JobRun run = job.facts().run().orElseThrow();
            assertThat(run).as(run.toString()).matches(JobRun::finished);
            assertThat(app.bean(RunStore.class).journal(run.id(), 900))
                    .filteredOn(row -> row.purpose().equals("Erase"))
                    .hasSize(1);
            KillAndRecoverTest.assertRight(KillAndRecoverTest.module(world, "tail-lift"), "tail-lift");
            app.context().close();
        }
    }

    /** The server's processes of this application, and the one that accepts new connections. */
    private static List<Long> databaseProcesses(App app) throws IOException {
        List<Long> backends = app.bean(JdbcClient.class)
                .sql("select pid::bigint from pg_stat_activity where datname = current_database()")
                .query(Long.class)
                .list();
        String stat = Files.readString(Path.of("/proc/" + backends.getFirst() + "/stat"));
        List<Long> all = new ArrayList<>(backends);
        all.add(Long.parseLong(stat.substring(stat.lastIndexOf(')') + 2).split(" ")[1]));
        return all;
    }

    private static void signal(String name, List<Long> processes) throws Exception {
        List<String> command = new ArrayList<>(List.of("kill", "-" + name));
        processes.forEach(p -> command.add(String.valueOf(p)));
        new ProcessBuilder(command).start().waitFor(5, TimeUnit.SECONDS);
    }

    /**
     * Killed at random moments of whole runs, several times in each and two runs at once: each run is found again, ends right,
     * and nothing that can't be undone is sent twice.
     */
    @Test
    void killed_atRandomMoments_everyRunEndsRight() throws Exception {
        int wanted = Integer.getInteger("codrane.kill");
        long seed = Long.getLong("codrane.seed", System.nanoTime());
        AtomicInteger kills = new AtomicInteger();
        AtomicInteger jobs = new AtomicInteger();
        try (ExecutorService lanes = Executors.newFixedThreadPool(LANES)) {
            List<Future<?>> all = new ArrayList<>();
            for (int lane = 0; lane < LANES; lane++)
                all.add(lanes.submit(() -> {
                    while (kills.get() < wanted) {
                        int job = jobs.incrementAndGet();
                        kills.addAndGet(killed(new Random(seed + job), "job " + job + " of seed " + seed));
                        LOG.info("{} of {} kills, in {} runs", kills, wanted, jobs);
                    }
                    return null;
                }));
            for (Future<?> lane : all) lane.get();
        }
        assertThat(kills.get()).isGreaterThanOrEqualTo(wanted);
    }

    /** @return how often it was killed before its run had ended */
    private static int killed(Random random, String which) throws Exception {
        Path var = Files.createTempDirectory("codrane-kill");
        String module = random.nextBoolean() ? "tail-lift" : "body"; // resumes where it was, or is erased again
        TestDatabase.Database database = TestDatabase.fresh();
        int kills = 0;
        try (StandinWorld world = TestWorld.standins(module.equals("body"), SPEED)) {
            List<String> settings = new ArrayList<>(TestWorld.settings(world, database, var));
            Process app = KillAndRecoverTest.start(settings, var);
            try {
                WebSession web = WebSession.signIn(KillAndRecoverTest.url(app, var), "tech");
                String job = KillAndRecoverTest.prepare(web, module);
                KillAndRecoverTest.release(web, job, module);
                for (int times = 1 + random.nextInt(MOST_KILLS); kills < times; kills++) {
                    int most = random.nextInt(3) == 0 ? LATE_MILLIS : SOON_MILLIS;
                    Until.later(Duration.ofMillis(random.nextInt(most)));
                    if (web.get(job + "/run").contains(DONE)) break;
                    assertThat(app.destroyForcibly().waitFor(20, TimeUnit.SECONDS))
                            .isTrue();
                    app = KillAndRecoverTest.start(settings, var);
                    web = web.at(KillAndRecoverTest.url(app, var));
                    if (web.get(job + "/run").contains("recover it")) web.post(job + "/recover");
                }
                web.awaitText(job + "/run", DONE, 180);
                KillAndRecoverTest.assertRight(KillAndRecoverTest.module(world, module), module);
                assertThat(web.get(job + "/run")).as(which).doesNotContain("no answer yet");
                assertThat(done(database, "Write the VIN")).as(which).isLessThanOrEqualTo(1);
            } catch (AssertionError | Exception e) {
                throw new AssertionError(which + ", " + module + ", " + kills + " kills: " + e.getMessage(), e);
            } finally {
                app.destroyForcibly();
            }
        }
        return kills;
    }

    /** How often the module said that it did this. */
    private static int done(TestDatabase.Database database, String purpose) throws SQLException {
        try (Connection connection = DriverManager.getConnection(database.url(), database.user(), database.password());
                PreparedStatement asked = connection.prepareStatement(
                        "select count(*) from journal where purpose = ? and state = 'POSITIVE'")) {
            asked.setString(1, purpose);
            try (ResultSet rows = asked.executeQuery()) {
                rows.next();
                return rows.getInt(1);
            }
        }
    }
}
