package codrane.app;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.live.RunStore;
import codrane.app.records.ChangeLedger;
import codrane.app.stage.run.RunActs;
import codrane.core.job.JobRun;
import codrane.core.plan.Operation;
import codrane.standin.StandinWorld;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;

/** The supply is not as it should be just when one task has ended: the run waits, is stopped by a person, and goes on there. */
class RunWaitsTest {
    private static final String WHO = "tech";

    private static JobRun run(JobSteps job) {
        return job.facts().run().orElseThrow();
    }

    private static String sentence(Acted acted) {
        return ((Acted.Refused) acted).sentence();
    }

    @Test
    void run_supplyWrongBetweenTasks_waitsThenStopsByAPersonAndGoesOnWhereItEnded() throws Exception {
        try (StandinWorld world = TestWorld.standins(false, 8)) {
            App app = RunningApp.launch(world);
            RunActs acts = app.bean(RunActs.class);
            JobSteps job = new JobSteps(app, "tail-lift").toRun("LFT-312-B");
            job.run();
            KillAndRecoverTest.awaitTransfer(world, "tail-lift", 50);
            Until.so("the run is committed", () -> run(job).committed());
            assertThat(sentence(acts.stop(job.number, WHO))).contains("can wait, but not stop");
            TestWorld.act(world, "/fault?spec=sag:volts=15.3,seconds=600"); // too much stops no transfer
            Until.so(
                    "it is programmed",
                    () -> KillAndRecoverTest.module(world, "tail-lift")
                            .path("software")
                            .asString()
                            .equals("3.12"));
            // longer than a lease, and than the gate before a run waits
            Until.stays(Duration.ofSeconds(14), () -> run(job).running());
            assertThat(app.bean(JdbcClient.class)
                            .sql("select until > clock_timestamp() from lease where interface = 'Plover'")
                            .query(Boolean.class)
                            .single())
                    .isTrue();

            assertThat(acts.stop(job.number, WHO)).isInstanceOf(Acted.Done.class);
            Until.so("it stopped", () -> !run(job).running());
            JobRun stopped = run(job);
            assertThat(stopped.state()).isEqualTo(JobRun.State.STOPPED);
            assertThat(stopped.sentence()).isEqualTo("Stopped by tech before the next step.");
            assertThat(stopped.taskIndex()).isEqualTo(1);
            ChangeLedger ledger = app.bean(ChangeLedger.class);
            assertThat(ledger.ofJob(job.facts().job().id()))
                    .singleElement()
                    .satisfies(change -> assertThat(change.change().after()).isEqualTo("3.12"));

            goOn(app, world, job);
            assertThat(run(job).id()).isEqualTo(stopped.id());
            var journal = app.bean(RunStore.class).journal(stopped.id(), 900);
            assertThat(journal).filteredOn(row -> row.purpose().equals("Erase")).hasSize(1);
            assertThat(ledger.ofJob(job.facts().job().id()))
                    .extracting(made -> made.change().what())
                    .doesNotHaveDuplicates()
                    .contains("Write the VIN");
            KillAndRecoverTest.assertRight(KillAndRecoverTest.module(world, "tail-lift"), "tail-lift");
            app.context().close();
        }
    }

    private static void goOn(App app, StandinWorld world, JobSteps job) throws Exception {
        RunActs acts = app.bean(RunActs.class);
        TestWorld.act(world, "/faults/clear");
        List<String> all = job.facts()
                .plan()
                .orElseThrow()
                .plan()
                .writes()
                .map(Operation::key)
                .toList();
        List<String> left =
                all.stream().filter(key -> !key.startsWith("program")).toList();
        Until.so(() -> !(acts.run(job.number, left, WHO) instanceof Acted.Refused));
        Until.so("it ended", () -> run(job).finished());
    }
}
