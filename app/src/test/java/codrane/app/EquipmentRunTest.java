package codrane.app;

import static codrane.app.PlannedRuns.WHO;
import static codrane.app.PlannedRuns.agreeAndRun;
import static codrane.app.PlannedRuns.changes;
import static codrane.app.PlannedRuns.coding;
import static codrane.app.PlannedRuns.done;
import static codrane.app.PlannedRuns.take;
import static codrane.app.PlannedRuns.toBaseline;
import static codrane.app.PlannedRuns.world;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.app.RunningApp.App;
import codrane.app.stage.decide.SettingActs;
import codrane.core.coding.Layout;
import codrane.core.job.BeforeAgreeing;
import codrane.core.job.CustomerCard;
import codrane.core.octets.Bytes;
import codrane.core.pack.Equipment;
import codrane.core.pack.Feature;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.standin.Conditions;
import codrane.standin.StandinWorld;
import codrane.standin.vehicle.Setup;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** K7: equipment that is enabled, and what it does not go with. */
class EquipmentRunTest {
    @Test
    void k7_whatStandsAgainstIt_isTurnedOffInTheSameVisit_andNothingElseChanges() throws Exception {
        try (StandinWorld world = world(Setup.healthy(PlannedRuns.LORNE, Conditions.LORNE), StandinWorld.Ports.FREE)) {
            App app = RunningApp.launch(world);
            JobSteps job = take(app, JobKind.ENABLE_EQUIPMENT, Conditions.LORNE.text(), "");
            toBaseline(app, job);
            JsonNode before = TestWorld.look(world).path("modules");
            SettingActs settings = app.bean(SettingActs.class);
            done(settings.feature(job.number, "opens-with-key-out", WHO));
            done(TestActs.of(app).plan(job.number, WHO));
            assertThat(job.facts().plan().orElseThrow().plan().blocks().toString())
                    .contains("does not go with Driver's door opens alone first, which is on");
            WebSession tech = WebSession.signIn(app.url(), WHO);
            String page = "/jobs/" + job.number + "/decide";
            assertThat(tech.get(page)).contains("Turn Driver&#39;s door opens alone first off");
            assertThat(settings.turnOff(job.number, "mirrors-fold", WHO).toString())
                    .contains("The chosen equipment goes with that");
            assertThat(tech.get(page)).contains("Decide which of them stays");
            tech.post("/jobs/" + job.number + "/decide/turn-off");
            assertThat(tech.get(page)).doesNotContain("does not go with it.");
            TestActs.of(app).keep(job.number, HoldPoint.LEAD_APPROVED, "lead", "");
            assertThat(BeforeAgreeing.of(job.facts())).isEmpty();
            agreeAndRun(app, job);
            assertThat(changes(world, "body", "body-locks", coding(before, "body", "body-locks")))
                    .contains("lock.driver.door.alone: yes → no", "lock.driver.door.key.out: no → yes")
                    .allMatch(c -> c.contains(".key.out: no → yes") || c.contains("door.alone"));
            JsonNode after = TestWorld.look(world).path("modules");
            for (String id : before.propertyNames())
                if (!id.equals("body"))
                    assertThat(after.path(id).path("coding"))
                            .as(id)
                            .isEqualTo(before.path(id).path("coding"));
            assertThat(CustomerCard.of(job.facts()))
                    .extracting(CustomerCard::title, CustomerCard::use)
                    .containsExactly(org.assertj.core.groups.Tuple.tuple(
                            "All doors open when the key is taken out", "Take the key out: the doors are open."));
            assertThat(tech.get("/jobs/" + job.number + "/record"))
                    .contains("For the customer: All doors open when the key is taken out", "To turn it off");
            app.context().close();
        }
    }

    @Test
    void k7_twoThatAreWanted_areOnePlan_andTheVehicleHoldsBothAndNothingElse() throws Exception {
        try (StandinWorld world = world(Setup.healthy(PlannedRuns.LORNE, Conditions.LORNE), StandinWorld.Ports.FREE)) {
            App app = RunningApp.launch(world);
            JobSteps job = take(app, JobKind.ENABLE_EQUIPMENT, Conditions.LORNE.text(), "");
            toBaseline(app, job);
            JsonNode before = TestWorld.look(world).path("modules");
            WebSession lead = WebSession.signIn(app.url(), "lead");
            String decide = "/jobs/" + job.number + "/decide";
            Equipment equipment = PlannedRuns.LORNE.equipment();
            Feature off = equipment.features().stream()
                    .filter(f -> f.concerns().isEmpty() && f.needs().isEmpty())
                    .filter(f -> equipment.against(List.of(f)).isEmpty() && isOff(before, f))
                    .findFirst()
                    .orElseThrow();
            lead.post(decide + "/feature", "feature", "mirrors-dip");
            lead.post(decide + "/feature", "feature", off.id());
            lead.post(decide + "/feature", "feature", "night-cabin");
            assertThat(lead.follow(decide + "/feature", "feature", "bright-cabin"))
                    .contains("Cabin red at night does not go with Cabin white for work. Take the other out first.");
            assertThat(lead.get(decide)).contains("Not this: Cabin red at night", "Take another, too");
            lead.post(decide + "/feature-out", "feature", "night-cabin");
            assertThat(lead.follow(decide + "/feature-out", "feature", "quiet-depot"))
                    .contains("That equipment was not chosen.");
            assertThat(job.facts().decided().notes().features()).containsExactly("mirrors-dip", off.id());
            done(TestActs.of(app).plan(job.number, WHO));
            TestActs.of(app).keep(job.number, HoldPoint.LEAD_APPROVED, "lead", "");
            agreeAndRun(app, job);
            Map<Feature.Setting, String> wanted = equipment.on(equipment.features(List.of("mirrors-dip", off.id())));
            JsonNode after = TestWorld.look(world).path("modules");
            for (String id : before.propertyNames())
                for (String block : before.path(id).path("coding").propertyNames()) {
                    Layout layout = PlannedRuns.LORNE.layout(block);
                    Map<String, String> was = layout.decode(octets(before, id, block));
                    Map<String, String> is = layout.decode(octets(after, id, block));
                    was.forEach((field, value) -> assertThat(is.get(field))
                            .as(block + "/" + field)
                            .isEqualTo(wanted.getOrDefault(new Feature.Setting(block, field), value)));
                    if (wanted.keySet().stream().noneMatch(s -> s.layout().equals(block)))
                        assertThat(octets(after, id, block)).as(block).isEqualTo(octets(before, id, block));
                }
            assertThat(CustomerCard.of(job.facts()))
                    .extracting(CustomerCard::title)
                    .contains("Mirrors dip in reverse", off.title());
            app.context().close();
        }
    }

    private static boolean isOff(JsonNode modules, Feature feature) {
        return !feature.on().isEmpty()
                && feature.on().entrySet().stream()
                        .noneMatch(on -> on.getValue()
                                .equals(PlannedRuns.LORNE
                                        .layout(on.getKey().layout())
                                        .decode(octets(
                                                modules,
                                                PlannedRuns.LORNE
                                                        .holder(on.getKey().layout())
                                                        .orElseThrow()
                                                        .id(),
                                                on.getKey().layout()))
                                        .get(on.getKey().field())));
    }

    private static Bytes octets(JsonNode modules, String id, String block) {
        return Bytes.parse(modules.path(id).path("coding").path(block).asString());
    }

    @Test
    void k7_nothingReadBack_isNotPromisedToTheCustomer() throws Exception {
        try (StandinWorld world = world(Setup.healthy(PlannedRuns.LORNE, Conditions.LORNE), StandinWorld.Ports.FREE)) {
            App app = RunningApp.launch(world);
            JobSteps job = take(app, JobKind.ENABLE_EQUIPMENT, Conditions.LORNE.text(), "");
            toBaseline(app, job);
            done(app.bean(SettingActs.class).feature(job.number, "mirrors-dip", WHO));
            assertThat(CustomerCard.of(job.facts())).isEqualTo(List.of());
            assertThat(WebSession.signIn(app.url(), WHO).get("/jobs/" + job.number + "/decide"))
                    .contains("Brings with it: Mirrors remember their place.");
            app.context().close();
        }
    }
}
