package codrane.app;

import static codrane.app.PlannedRuns.LORNE;
import static codrane.app.PlannedRuns.WHO;
import static codrane.app.PlannedRuns.agreeAndRun;
import static codrane.app.PlannedRuns.changes;
import static codrane.app.PlannedRuns.coding;
import static codrane.app.PlannedRuns.done;
import static codrane.app.PlannedRuns.module;
import static codrane.app.PlannedRuns.run;
import static codrane.app.PlannedRuns.take;
import static codrane.app.PlannedRuns.toBaseline;
import static codrane.app.PlannedRuns.world;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.job.Acted;
import codrane.app.live.RunStore;
import codrane.app.stage.baseline.BaselineActs;
import codrane.app.stage.bench.BenchActs;
import codrane.app.stage.decide.DecideActs;
import codrane.app.stage.decide.SettingActs;
import codrane.app.stage.intake.IntakeActs;
import codrane.app.stage.intake.IntakeForm;
import codrane.app.stage.prepare.PrepareActs;
import codrane.app.stage.run.RunActs;
import codrane.core.job.IntakeNotes;
import codrane.core.job.RunTasks;
import codrane.core.job.hold.HoldRules;
import codrane.core.job.stage.NextActs;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.Stage;
import codrane.core.ready.Need;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import codrane.standin.VirtualWorkshop;
import codrane.standin.module.Part;
import codrane.standin.vehicle.Setup;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What is planned besides the first job, and can be carried out: what the vehicle holds afterwards. */
class RunPlannedTest {
    @Test
    void k5_settingByName_changesItsBitsAndNoOther() throws Exception {
        try (StandinWorld world = world(Setup.healthy(LORNE, Conditions.LORNE), StandinWorld.Ports.FREE)) {
            App app = RunningApp.launch(world);
            JobSteps job = take(app, JobKind.CHANGE_SETTING, Conditions.LORNE.text(), "");
            toBaseline(app, job);
            JsonNode before = TestWorld.look(world).path("modules");
            var layout = LORNE.layouts().get("climate-main");
            String was =
                    before.path("climate").path("coding").path("climate-main").asString();
            assertThat(layout.decode(Bytes.parse(was)).get("rear.unit")).isEqualTo("fitted");
            done(app.bean(SettingActs.class).setting(job.number, "climate-main/rear.unit", "none", WHO));
            done(TestActs.of(app).plan(job.number, WHO));
            agreeAndRun(app, job);
            JsonNode after = TestWorld.look(world).path("modules");
            Bytes is = Bytes.parse(
                    after.path("climate").path("coding").path("climate-main").asString());
            assertThat(layout.decode(is).get("rear.unit")).isEqualTo("none");
            assertThat(layout.diff(Bytes.parse(was), is)).hasSize(1);
            for (String id : before.propertyNames())
                if (!id.equals("climate"))
                    assertThat(after.path(id).path("coding"))
                            .as(id)
                            .isEqualTo(before.path(id).path("coding"));
            app.context().close();
        }
    }

    @Test
    void agreedPlan_whoseFactsAreTakenAway_isAgreedToNoLonger() throws Exception {
        try (StandinWorld world = world(Setup.healthy(LORNE, Conditions.LORNE), StandinWorld.Ports.FREE)) {
            App app = RunningApp.launch(world);
            JobSteps job = take(app, JobKind.CHANGE_SETTING, Conditions.LORNE.text(), "");
            toBaseline(app, job);
            SettingActs settings = app.bean(SettingActs.class);
            done(settings.setting(job.number, "climate-main/rear.unit", "none", WHO));
            done(TestActs.of(app).plan(job.number, WHO));
            done(TestActs.of(app).keep(job.number, HoldPoint.PLAN_AGREED, WHO, ""));
            Acted out = settings.out(job.number, "climate-main/rear.unit", WHO);
            assertThat(((Acted.Refused) out).sentence()).contains("Which setting is to be changed");
            assertThat(HoldRules.progress(job.facts()).passed(HoldPoint.PLAN_AGREED))
                    .isFalse();
            Acted again = TestActs.of(app).keep(job.number, HoldPoint.PLAN_AGREED, WHO, "");
            assertThat(((Acted.Refused) again).sentence()).contains("Which setting is to be changed");
            app.context().close();
        }
    }

    @Test
    void k2_alteredSoftware_isTheMakersAgainWithItsCodingKept() throws Exception {
        try (StandinWorld world = world(Conditions.changedBus(LORNE), StandinWorld.Ports.FREE)) {
            App app = RunningApp.launch(world);
            JobSteps job = take(app, JobKind.RESTORE_SOFTWARE, Conditions.LORNE_BUS.text(), "body");
            toBaseline(app, job);
            String stock = "%08X"
                    .formatted(VirtualWorkshop.content(LORNE.module("body")).crc32());
            JsonNode coding = module(world, "body").path("coding");
            assertThat(module(world, "body").path("flashCrc").asString()).isNotEqualTo(stock);
            done(TestActs.of(app).plan(job.number, WHO));
            done(TestActs.of(app).keep(job.number, HoldPoint.PLAN_AGREED, WHO, ""));
            done(app.bean(PrepareActs.class).fetch(job.number, "BOD-331-B", "", WHO));
            job.awaitTask();
            agreeAndRun(app, job);
            assertThat(module(world, "body").path("flashCrc").asString()).isEqualTo(stock);
            assertThat(module(world, "body").path("coding")).isEqualTo(coding);
            assertThat(module(world, "body").path("counter").asInt()).isEqualTo(2);
            done(TestActs.of(app).plan(job.number, WHO)); // asked again: there is nothing left to put back
            assertThat(job.facts().plan().orElseThrow().version()).isEqualTo(2);
            assertThat(job.facts().run()).isEmpty(); // the run carried out the version before
            assertThat(job.facts().written()).isTrue();
            assertThat(HoldRules.progress(job.facts()).current()).isEqualTo(Stage.DECIDE);
            app.context().close();
        }
    }

    @Test
    void k9_oldModuleReadBeforeItsRemoval_givesTheNewOneExactlyWhatTheVehicleHad() throws Exception {
        Setup own = Setup.healthy(LORNE, Conditions.LORNE);
        String software = LORNE.module("tail-lift").software().current();
        Setup old = own.with(
                "tail-lift",
                Part.fitted(Conditions.LORNE, software).withValues(Map.of("platform", "folding", "beeper", "quiet")));
        Setup swapped = own.with("tail-lift", Part.used(Conditions.LORNE_DONOR, software));
        StandinWorld before = world(old, StandinWorld.Ports.FREE);
        StandinWorld.Ports ports = before.ports();
        App app = RunningApp.launch(before);
        JobSteps job = take(app, JobKind.REPLACE_MODULE, Conditions.LORNE.text(), "tail-lift");
        done(app.bean(IntakeActs.class).oldModule(job.number, IntakeNotes.OldModule.STILL_IN, WHO));
        done(TestActs.of(app).keep(job.number, HoldPoint.CONSENT, WHO, ""));
        done(app.bean(BenchActs.class).ask(job.number, WHO));
        done(app.bean(BenchActs.class).readOld(job.number, WHO));
        job.awaitTask();
        toBaseline(app, job);
        done(TestActs.of(app).plan(job.number, WHO));
        assertThat(job.facts().writes())
                .as("nothing is written while the old one is in")
                .isEmpty();
        done(TestActs.of(app).keep(job.number, HoldPoint.PLAN_AGREED, WHO, ""));
        assertThat(NextActs.of(job.facts(), Stage.DECIDE, WHO).title()).startsWith("Swap the tail lift");
        String had =
                module(before, "tail-lift").path("coding").path("lift-main").asString();
        before.close(); // the part is swapped
        done(app.bean(DecideActs.class).swapped(job.number, WHO));
        Acted unread = TestActs.of(app).plan(job.number, WHO);
        assertThat(((Acted.Refused) unread).sentence()).contains("Scan again first");
        try (StandinWorld after = world(swapped, ports)) {
            assertThat(module(after, "tail-lift")
                            .path("coding")
                            .path("lift-main")
                            .asString())
                    .isNotEqualTo(had);
            done(app.bean(BenchActs.class).ask(job.number, WHO));
            job.scan();
            TestActs.of(app).waive(job.number, HoldPoint.IDENTITY_SETTLED, WHO, "as tested");
            done(app.bean(BaselineActs.class).store(job.number, "", WHO));
            job.awaitTask();
            SettingActs also = app.bean(SettingActs.class); // in the same visit
            done(also.setting(job.number, "lift-main/beeper", "loud", WHO));
            done(also.setting(job.number, "climate-main/rear.unit", "none", WHO));
            String climate =
                    module(after, "climate").path("coding").path("climate-main").asString();
            assertThat(job.facts().plan().orElseThrow().plan().operations())
                    .anySatisfy(o -> assertThat(o.reasons())
                            .contains("Source: what was read from the old module. Exactly what this vehicle had."));
            agreeAndRun(app, job);
            notWorkingLeadsOn(app, job);
            assertThat(changes(after, "tail-lift", "lift-main", had)).containsExactly("beeper: quiet → loud");
            assertThat(changes(after, "climate", "climate-main", climate)).containsExactly("rear.unit: fitted → none");
            assertThat(module(after, "tail-lift").path("vin").asString()).isEqualTo(Conditions.LORNE.text());
            app.context().close();
        }
    }

    /** "It does not work" is an answer: the gentlest means first, then the next. */
    private static void notWorkingLeadsOn(App app, JobSteps job) {
        done(TestActs.of(app).keep(job.number, HoldPoint.SETTLED, WHO, "")); // the plan let the modules sleep
        done(app.bean(DecideActs.class).notWorking(job.number, WHO));
        assertThat(NextActs.of(job.facts(), Stage.PROVE, WHO).title())
                .isEqualTo("Have the modules learn their surroundings anew.");
        done(app.bean(DecideActs.class).tried(job.number, WHO));
        assertThat(NextActs.of(job.facts(), Stage.PROVE, WHO).title())
                .isEqualTo("Run the routine that restarts all modules.");
        assertThat(job.facts().decided().notes().settled()).containsExactly(codrane.core.plan.Aids.Settling.RELEARN);
        done(TestActs.of(app).plan(job.number, WHO));
        assertThat(job.facts().decided().notes().since().proved())
                .as("another plan is tried anew")
                .isEqualTo(codrane.core.plan.Said.Proved.NOT_YET);
    }

    @Test
    void k9_partWithThisVehiclesCodingAndOldSoftware_isProgrammedAndKeepsIt() throws Exception {
        Setup setup = Setup.healthy(LORNE, Conditions.LORNE)
                .with(
                        "tail-lift",
                        Part.fitted(Conditions.LORNE, "3.08")
                                .withValues(Map.of("platform", "folding", "beeper", "quiet")));
        try (StandinWorld world = world(setup, StandinWorld.Ports.FREE)) {
            App app = RunningApp.launch(world);
            JobSteps job = take(app, JobKind.REPLACE_MODULE, Conditions.LORNE.text(), "tail-lift");
            done(app.bean(IntakeActs.class).oldModule(job.number, IntakeNotes.OldModule.OUT, WHO));
            toBaseline(app, job);
            JsonNode had = module(world, "tail-lift").path("coding");
            done(TestActs.of(app).plan(job.number, WHO));
            done(TestActs.of(app).keep(job.number, HoldPoint.PLAN_AGREED, WHO, ""));
            done(app.bean(PrepareActs.class).fetch(job.number, "LFT-312-B", "", WHO));
            job.awaitTask();
            agreeAndRun(app, job);
            assertThat(app.bean(RunStore.class).journal(run(job).id(), 500))
                    .anyMatch(row -> row.purpose().equals("Read what is there")); // and it is there: nothing to write
            assertThat(module(world, "tail-lift").path("software").asString()).isEqualTo("3.12");
            JsonNode has = module(world, "tail-lift").path("coding");
            assertThat(has.path("lift-main")).isEqualTo(had.path("lift-main"));
            assertThat(limits(has, "3.12"))
                    .as("kept elsewhere by 3.12, and the new one as built")
                    .containsAllEntriesOf(limits(had, "3.08"))
                    .containsEntry("pump.seconds", "25 s");
            app.context().close();
        }
    }

    private static Map<String, String> limits(JsonNode coding, String software) {
        return LORNE.as(Map.of("tail-lift", software))
                .layout("lift-limits")
                .decode(Bytes.parse(coding.path("lift-limits").asString()));
    }

    /** A dead module kept the order, and nobody read it: what is not carried out whole is not begun. */
    @Test
    void k12_whoseOrderNobodyTyped_isPlannedAndNotBegun() throws Exception {
        Pack dunlin = TestWorld.pack("peregil-dunlin");
        try (StandinWorld world = world(Conditions.blankBody(dunlin), StandinWorld.Ports.FREE)) {
            App app = RunningApp.launch(world);
            long number = new AtDecide(app, world).job(Conditions.DUNLIN, JobKind.REPLACE_DEAD, "body", "NEW");
            JobSteps job = new JobSteps(app, number);
            IntakeForm keys = new IntakeForm(
                    null, null, null, null, null, null, "2", "3", "papers and the owner", null, null, null, null);
            done(app.bean(IntakeActs.class).note(number, keys, "desk"));
            done(TestActs.of(app).plan(number, WHO));
            assertThat(job.facts().plan().orElseThrow().plan().blocks()).isEmpty();
            assertThat(RunTasks.unable(job.facts())).isEmpty();
            assertThat(job.facts().readiness().orElseThrow().missing()).anyMatch(n -> n.kind() == Need.Kind.ORDER);
            List<String> all = job.facts().writes().stream().map(Operation::key).toList();
            assertThat(app.bean(RunActs.class).run(number, all, WHO)).isInstanceOf(Acted.Refused.class);
            assertThat(job.facts().run()).isEmpty();
        }
    }
}
