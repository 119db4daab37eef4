package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.core.job.JobRun;
import codrane.standin.StandinWorld;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A plan carried out on a twin first: nothing reaches the vehicle, and what it said comes true. */
class RehearsalTest {
    @Test
    void rehearse_thenRun_theVehicleIsLeftAlone_andTheTwinWasRight() throws Exception {
        try (StandinWorld world = TestWorld.standins(false, 30)) {
            App app = RunningApp.launch(world);
            JobSteps job = new JobSteps(app, "tail-lift").toRun("LFT-312-B");
            WebSession web = WebSession.signIn(app.url(), "tech");
            String page = "/jobs/" + job.number + "/run";
            assertThat(web.get(page)).contains("Rehearse it").doesNotContain("On a twin of this vehicle it");
            JsonNode before = TestWorld.look(world).path("modules");
            String trainee = WebSession.signIn(app.url(), "trainee").get(page);
            assertThat(trainee).doesNotContain("Rehearse it");
            web.post("/jobs/" + job.number + "/rehearse");
            job.awaitTask();
            assertThat(TestWorld.look(world).path("modules")).isEqualTo(before);
            assertThat(web.get(page))
                    .contains(
                            "On a twin of this vehicle it came to its end in",
                            "Tail lift: VIN",
                            "Rehearse it again",
                            "Program the tail lift")
                    .doesNotContain("The real one took");
            job.run();
            Until.so(() -> !job.facts().run().orElseThrow().running());
            assertThat(job.facts().run().orElseThrow()).matches(JobRun::finished);
            assertThat(web.get(page)).contains("The real one took").doesNotContain("Rehearse it");
            app.context().close();
        }
    }
}
