package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import codrane.app.RunningApp.App;
import codrane.app.live.RunStore;
import codrane.core.job.JobRun;
import codrane.standin.StandinWorld;
import codrane.standin.VirtualWorkshop;
import java.nio.file.Path;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A run that waits for the key, whose supply sags and whose cable is pulled, on a module that must be erased again after a loss. */
class RunDisturbedTest {
    private static final int SPEED = 6;

    @Test
    void run_keyOffThenSupplySagsThenCableIsPulled_waitsHoldsRecoversAndEndsRight() throws Exception {
        try (StandinWorld world = TestWorld.standins(true, SPEED)) {
            App app = RunningApp.launch(world);
            JobSteps job = new JobSteps(app, "body").toRun("BOD-331-B");
            TestWorld.act(world, "/key/off");
            job.run();
            // it asks for the key, and waits for longer than a lease lasts
            Until.stays(Duration.ofSeconds(13), () -> run(job).state() == JobRun.State.RUNNING);
            assertThat(app.bean(RunStore.class).journal(run(job).id(), 500)).isEmpty();
            TestWorld.act(world, "/key/on");
            Until.so("the transfer begins", () -> next(world) > 0x40000 + 20 * 512);

            TestWorld.act(world, "/support-unit/off");
            AtomicLong before = new AtomicLong(-1);
            await("the run is held")
                    .atMost(Duration.ofSeconds(150))
                    .pollInterval(Duration.ofMillis(1500))
                    .until(() -> next(world), now -> before.getAndSet(now) == now);
            assertThat(run(job).state()).isEqualTo(JobRun.State.RUNNING);
            assertThat(run(job).committed()).isTrue();
            long held = next(world);
            TestWorld.act(world, "/support-unit/on");
            Until.so("the run goes on by itself", () -> next(world) > held);

            TestWorld.act(world, "/cut");
            Until.so("the run is interrupted", () -> run(job).interrupted());
            assertThat(run(job).sentence()).startsWith("The link was lost");
            assertThat(TestWorld.look(world)
                            .path("modules")
                            .path("body")
                            .path("bootOnly")
                            .asBoolean())
                    .isTrue();
            picture(app, job.number);
            job.recover();
            Until.so("the run is finished", () -> !run(job).running());
            assertThat(run(job)).as(run(job).toString()).matches(JobRun::finished);

            JsonNode body = TestWorld.look(world).path("modules").path("body");
            var pack = TestWorld.pack("brennick-lorne").module("body");
            assertThat(body.path("flashCrc").asString())
                    .isEqualTo("%08X".formatted(VirtualWorkshop.content(pack).crc32()));
            assertThat(body.path("vin").asString()).isEqualTo("0BKLR3A46MN004127");
            assertThat(body.path("counter").asInt()).isEqualTo(2);
            var journal = app.bean(RunStore.class).journal(run(job).id(), 500);
            assertThat(journal).filteredOn(row -> row.purpose().equals("Erase")).hasSize(2);
            assertThat(journal)
                    .filteredOn(row -> row.purpose().equals("Write the VIN"))
                    .hasSize(1); // never twice
            app.context().close();
        }
    }

    private static void picture(App app, long number) {
        try (Browsing browser = new Browsing(app.url(), "tech")) {
            browser.open("/jobs/" + number + "/run");
            browser.awaitNext("The run was interrupted: recover it");
            browser.picture(Path.of(System.getProperty("codrane.screenshots", "target/screenshots"))
                    .resolve("interrupted.png"));
        }
    }

    private static long next(StandinWorld world) {
        return TestWorld.look(world)
                .path("modules")
                .path("body")
                .path("flashNext")
                .asLong();
    }

    private static JobRun run(JobSteps job) {
        return job.facts().run().orElseThrow();
    }
}
