package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.JobDesk;
import codrane.app.newjob.JobIntake;
import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.job.hold.HoldRules;
import codrane.core.job.stage.NextActs;
import codrane.core.pack.Pack;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import codrane.standin.vehicle.Setup;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The first day's work on the demo's jobs is really done: what Today says of it stands in the vehicles. */
class ShiftTest {
    private static final int SPEED = 4;
    private static final int DELIVERY = 40_000_000;

    @Test
    void shift_ofAFreshDemo_leavesADayInTheMiddle() throws Exception {
        Pack lorne = TestWorld.pack("brennick-lorne");
        StandinWorld.Stock stock = new StandinWorld.Stock(
                List.of(
                        Conditions.usedTailLift(lorne),
                        Conditions.changedBus(lorne),
                        Conditions.newRadar(TestWorld.pack("brennick-almery")),
                        Conditions.newSteering(TestWorld.pack("peregil-dunlin"))),
                List.of(
                        Setup.healthy(TestWorld.pack("tolvane-wisp"), Conditions.WISP),
                        Setup.healthy(TestWorld.pack("ardwyn-gannet"), Conditions.GANNET)),
                Duration.ofSeconds(1));
        try (StandinWorld world = new StandinWorld(stock, StandinWorld.Ports.FREE, SPEED, DELIVERY)) {
            App app = RunningApp.launch(world);
            assertThat(app.bean(JobIntake.class).nothingTakenIn()).isFalse();
            assertThat(shift(app, world)).isEqualTo("Today shows a day in the middle.");

            JobState cut = state(app, 2208);
            assertThat(cut.run()).hasValueSatisfying(run -> assertThat(run).matches(JobRun::interrupted));
            assertThat(next(state(app, 2218))).isEqualTo(Tone.WAITS);
            assertThat(next(state(app, 2212))).isEqualTo(Tone.PERSON); // and for the lead
            assertThat(state(app, 2203).job().closedAt()).isPresent();
            assertThat(WebSession.signIn(app.url(), "tech").get("/jobs/2203/baseline"))
                    .contains("Stored for this job")
                    .doesNotContain("Read one module only", "See what a function");
            assertThat(state(app, 2204).job().closedAt()).isPresent();
            assertThat(state(app, 2201).before()).isEmpty(); // the first job is left to who comes first
            TestWorld.plug(world, cut.job().vin());
            JsonNode body = TestWorld.look(world).path("modules").path("body");
            assertThat(body.path("bootOnly").asBoolean()).isTrue();
            app.context().close();
        }
    }

    private static JobState state(App app, long number) {
        return app.bean(JobDesk.class).state(number);
    }

    private static Tone next(JobState state) {
        return NextActs.of(state, HoldRules.progress(state).current(), "tech").tone();
    }

    /** As the launcher does it. */
    private static String shift(App app, StandinWorld world) throws Exception {
        StandinWorld.Ports ports = world.ports();
        Process process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-cp",
                        System.getProperty("java.class.path"),
                        "codrane.app.cli.Main",
                        "shift",
                        "--url",
                        app.url(),
                        "--can-control",
                        "http://127.0.0.1:" + ports.canControl(),
                        "--doip-control",
                        "http://127.0.0.1:" + ports.doipControl())
                .redirectErrorStream(true)
                .start();
        return new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8).strip();
    }
}
