package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.live.RunStore;
import codrane.core.job.JobRun;
import codrane.standin.StandinWorld;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Long tests of what ends in the middle: {@code ./codrane test --kill}. */
@EnabledIfSystemProperty(named = "codrane.kill", matches = "\\d+")
class KillTest {
    private static final int SPEED = 8;
    private static final int STALL_SECONDS = 13;

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

    /** Killed at random moments of a whole run: it is found again, ends right, and nothing that can't be undone is sent twice. */
    @Test
    void killed_atRandomMoments_everyRunEndsRight() throws Exception {
        int kills = Integer.getInteger("codrane.kill");
        long seed = Long.getLong("codrane.seed", System.nanoTime());
        Random random = new Random(seed);
        for (int i = 0; i < kills; i++) kill(random, "kill " + i + " of seed " + seed);
    }

    private static void kill(Random random, String which) throws Exception {
        Path var = Files.createTempDirectory("codrane-kill");
        try (StandinWorld world = TestWorld.standins(false, SPEED)) {
            List<String> settings = new ArrayList<>(TestWorld.settings(world, TestDatabase.fresh(), var));
            Process app = KillAndRecoverTest.start(settings, var);
            try {
                WebSession web = WebSession.signIn(KillAndRecoverTest.url(app, var), "tech");
                String job = KillAndRecoverTest.prepare(web, "tail-lift");
                release(web, job);
                Until.later(Duration.ofMillis(random.nextInt(14_000)));
                assertThat(app.destroyForcibly().waitFor(20, TimeUnit.SECONDS)).isTrue();
                app = KillAndRecoverTest.start(settings, var);
                web = web.at(KillAndRecoverTest.url(app, var));
                String page = web.get(job + "/run");
                if (page.contains("recover it")) web.post(job + "/recover");
                web.awaitText(job + "/run", "Run is done", 180);
                KillAndRecoverTest.assertRight(KillAndRecoverTest.module(world, "tail-lift"), "tail-lift");
                String journal = web.get(job + "/run");
                assertThat(journal.split("Write the VIN\\s*<", -1).length - 1)
                        .as(which)
                        .isLessThanOrEqualTo(2); // in the journal once, or once more when the answer was lost
                assertThat(journal).as(which).doesNotContain("no answer yet");
            } finally {
                app.destroyForcibly();
            }
        }
    }

    private static void release(WebSession web, String job) throws Exception {
        web.post(
                job + "/run",
                "release",
                "program-tail-lift",
                "release",
                "write-vin-tail-lift",
                "release",
                "write-coding-tail-lift",
                "release",
                "reset-tail-lift",
                "release",
                "clear");
    }
}
