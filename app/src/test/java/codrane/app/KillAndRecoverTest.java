package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import codrane.standin.StandinWorld;
import codrane.standin.VirtualWorkshop;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/**
 * The application as a process of its own, killed in the middle of a transfer and started again: the run is found as
 * interrupted, one click recovers it, and the module ends right. One fixed point on a module that resumes from an
 * address; one seeded point on a module that must be erased again.
 */
class KillAndRecoverTest {
    private static final String LISTENING = "Listening on ";
    private static final int SPEED = 8;

    @ParameterizedTest
    @CsvSource({"tail-lift, 300", "body, -1"})
    void kill_inTheMiddleOfATransfer_recoversToTheRightEnd(String module, int killAtBlock) throws Exception {
        boolean body = module.equals("body");
        int block = killAtBlock > 0 ? killAtBlock : 20 + new Random(20261125).nextInt(380);
        Path var = Files.createTempDirectory("codrane-kill");
        try (StandinWorld world = TestWorld.standins(body, SPEED)) {
            List<String> settings = new ArrayList<>(TestWorld.settings(world, TestDatabase.fresh(), var));
            Process app = start(settings, var);
            try {
                WebSession web = WebSession.signIn(url(app, var), "tech");
                String job = prepare(web, module);
                release(web, job, module);
                awaitTransfer(world, module, block);
                boolean told = false;
                if (!body) { // first it is told to stop: it ends at the next block, and says so
                    app.destroy();
                    assertThat(app.waitFor(40, TimeUnit.SECONDS)).isTrue();
                    app = start(settings, var);
                    web = web.at(url(app, var));
                    String page = web.get(job + "/now");
                    assertThat(page).contains("The run was interrupted: recover it");
                    told = page.contains("Codrane was told to stop");
                    assertThat(module(world, module).path("bootOnly").asBoolean())
                            .isTrue();
                    web.post(job + "/recover");
                    awaitTransfer(world, module, block + 150);
                }
                assertThat(app.destroyForcibly().waitFor(20, TimeUnit.SECONDS)).isTrue(); // kill -9
                assertThat(module(world, module).path("bootOnly").asBoolean()).isTrue();

                app = start(settings, var);
                web = web.at(url(app, var)); // still signed in: sessions are in the database
                assertThat(web.get(job + "/now")).contains("The run was interrupted: recover it", "at block");
                assertThat(web.get("/")).contains("The run was interrupted");
                long resumedFrom = module(world, module).path("flashNext").asLong();
                web.post(job + "/recover");
                web.awaitText(job + "/run", "Run is done", 120);
                assertThat(resumedFrom).isPositive();
                assertThat(told).as("told to stop").isEqualTo(!body);
                assertRight(module(world, module), module);
                if (body) web.post(job + "/hold/settled"); // its order was written: the modules sleep first
                web.post(job + "/scan");
                web.awaitText(job + "/prove", "Try the " + (body ? "body" : "tail lift") + " in all it does", 60);
                assertErased(web.get(job + "/run"), body ? 2 : 1);
            } finally {
                app.destroyForcibly();
            }
        }
    }

    static String prepare(WebSession web, String module) throws Exception {
        String job = web.post(
                "/jobs",
                "vin",
                "0BKLR3A46MN004127",
                "complaint",
                "test",
                "kind",
                "REPLACE_MODULE",
                "replaced",
                module,
                "origin",
                "SECOND_HAND");
        job = job.substring(0, job.lastIndexOf('/'));
        web.post(job + "/old-module/out");
        web.post(job + "/hold/consent");
        web.post(job + "/bench");
        web.post(job + "/scan");
        web.awaitText(job + "/identify", "modules against the plate", 60);
        web.post(job + "/waive/identity-settled", "why", "the donor is known");
        web.post(job + "/baseline");
        web.awaitText(job + "/baseline", "Stored for this job", 60);
        web.post(job + "/plan");
        web.post(job + "/hold/plan-agreed");
        web.post(job + "/calibration", "id", module.equals("body") ? "BOD-331-B" : "LFT-312-B");
        web.awaitText(job + "/prepare", "At hand:", 60);
        web.post(job + "/line-sheet");
        web.awaitText(job + "/run", "Release and start", 60);
        return job;
    }

    static void release(WebSession web, String job, String module) throws Exception {
        web.post(
                job + "/run",
                "release",
                "program-" + module,
                "release",
                "write-vin-" + module,
                "release",
                module.equals("body") ? "write-order-" + module : "clear", // the body keeps the vehicle order
                "release",
                "write-coding-" + module,
                "release",
                "reset-" + module,
                "release",
                "clear");
    }

    static void awaitTransfer(StandinWorld world, String module, int block) throws InterruptedException {
        var pack = TestWorld.pack("brennick-lorne").module(module).flash().orElseThrow();
        long wanted = pack.segment().start() + (long) block * (pack.blockBytes() - 2);
        await("the transfer comes to block " + block)
                .atMost(Duration.ofSeconds(90))
                .pollDelay(Duration.ZERO)
                .pollInterval(Duration.ofMillis(10))
                .until(
                        () -> module(world, module),
                        now -> now.path("bootOnly").asBoolean()
                                && now.path("flashNext").asLong() >= wanted);
    }

    static JsonNode module(StandinWorld world, String module) {
        return TestWorld.look(world).path("modules").path(module);
    }

    static void assertRight(JsonNode held, String module) {
        var pack = TestWorld.pack("brennick-lorne").module(module);
        assertThat(held.path("bootOnly").asBoolean()).isFalse();
        assertThat(held.path("software").asString()).isEqualTo(pack.software().current());
        assertThat(held.path("vin").asString()).isEqualTo("0BKLR3A46MN004127");
        assertThat(held.path("flashCrc").asString())
                .isEqualTo("%08X".formatted(VirtualWorkshop.content(pack).crc32()));
        assertThat(held.path("counter").asInt()).isEqualTo(2);
        assertThat(held.path("faults").isEmpty()).isTrue();
    }

    /** Erasing stands in the journal once, or twice for a module that can't resume. */
    private static void assertErased(String runPage, int times) {
        String journal = runPage.substring(runPage.indexOf("Journal:"));
        assertThat(journal.split("Erase\\s*<", -1)).hasSize(times + 1);
    }

    static Process start(List<String> settings, Path var) throws IOException {
        Files.deleteIfExists(var.resolve("port"));
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1", // starts again and again
                "-XX:+AutoCreateSharedArchive",
                "-XX:SharedArchiveFile=" + Path.of("target", "killed.jsa").toAbsolutePath(),
                "-Dspring.aot.enabled=" + Boolean.getBoolean("spring.aot.enabled"),
                "-Xmx400m",
                "-cp",
                System.getProperty("java.class.path"),
                "codrane.app.CodraneApplication",
                "--server.port=0"));
        settings.forEach(s -> command.add("--" + s));
        return new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(var.resolve("app.log").toFile())
                .start();
    }

    /** The application tells its port in the log, and when it is ready. */
    static String url(Process app, Path var) throws Exception {
        Path log = var.resolve("app.log");
        await("the application starts")
                .failFast(() ->
                        assertThat(app.isAlive()).as(Files.readString(log)).isTrue())
                .atMost(Duration.ofMinutes(2))
                .until(() -> Files.readString(log).contains("The demo world is there"));
        String said = Files.readString(log);
        return said.substring(said.indexOf(LISTENING) + LISTENING.length())
                .lines()
                .findFirst()
                .orElseThrow()
                .strip();
    }
}
