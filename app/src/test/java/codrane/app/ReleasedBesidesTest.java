package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.live.JobTasks;
import codrane.core.job.JobRun;
import codrane.standin.StandinWorld;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A calibration too large to be read while somebody waits: the release is answered at once, and the run begins after it. */
class ReleasedBesidesTest {
    @Test
    void release_ofALargeFile_isAnsweredAtOnce_andTheRunBegins() throws Exception {
        try (StandinWorld world = TestWorld.standins(false, 40)) {
            App app = RunningApp.launch(world, TestDatabase.fresh(), "--codrane.release-at-once=0");
            JobSteps job = new JobSteps(app, "tail-lift").toRun("LFT-312-B");
            job.run();
            JobTasks.Progress task = app.bean(JobTasks.class).of(job.number).orElseThrow();
            assertThat(task.title()).matches("Reading and checking [0-9.]+ .?B before the run");
            job.awaitTask();
            Until.so(() -> job.facts().run().isPresent());
            Until.so(() -> !job.facts().run().orElseThrow().running());
            assertThat(job.facts().run().orElseThrow()).matches(JobRun::finished);
            JsonNode lift = TestWorld.look(world).path("modules").path("tail-lift");
            assertThat(lift.path("counter").asInt()).isGreaterThan(1);
            app.context().close();
        }
    }
}
