package codrane.core.planner;

import static codrane.core.planner.Cases.operation;
import static codrane.core.planner.Cases.reason;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.Pack;
import codrane.core.pack.Packs;
import codrane.core.plan.JobKind;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PartFacts;
import codrane.core.plan.Plan;
import codrane.core.plan.Policy;
import codrane.core.plan.School;
import codrane.core.plan.VehicleFacts;
import codrane.core.scan.CodingState;
import codrane.core.scan.ModuleReading.Presence;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What new software requires of other modules. */
class RequiredUpdatesTest {
    @ParameterizedTest
    @CsvSource({
        "2.05, ANSWERS, No other module must be updated",
        "1.90, ANSWERS, requires Gearbox 2.05; it has 1.90. The pack does not say how",
        "'', BOOT_ONLY, only its boot software answers. The pack does not say how",
        "'', ANSWERS, which it has is not known",
        "'', SILENT, which it has is not known"
    })
    void requiredUpdate_ofAModule_followsFromWhatItHas(String software, Presence presence, String says) {
        VehicleFacts facts = Cases.with(
                Cases.k3(),
                "gearbox",
                new ModuleAnswer(
                        presence, Optional.of(Cases.k3().vin().text()), software, CodingState.AGREES, List.of()));
        assertThat(reason(Planner.plan(facts), "required-updates")).contains(says);
    }

    @Test
    void requiredUpdates_thatThePackCanProgram_areInThePlanWithTheirReason() {
        Pack pack = Packs.changed("brennick-almery", "requires: { gearbox: \"2.05\" }", "requires: { body: \"3.31\" }");
        VehicleFacts facts =
                Cases.healthy(JobKind.UPDATE_SOFTWARE, pack, Cases.ALMERY).with(PartFacts.of("engine"));
        facts = Cases.with(facts, "engine", Cases.answer(Cases.ALMERY.text(), "4.11", CodingState.AGREES));
        facts = Cases.with(facts, "body", Cases.answer(Cases.ALMERY.text(), "3.30", CodingState.AGREES));
        // leave-alone, and yet: 3.30 is enough for the vehicle, but not for the new engine software
        assertThat(operation(Planner.plan(facts), Kind.PROGRAM, "body").reasons())
                .containsExactly("Engine 4.14 requires Body 3.31; it has 3.30.");
    }

    private static final String BODY = "current: \"3.31\", needed: \"3.30\", history: [\"3.25\", \"3.28\", \"3.30\"] }";

    @Test
    void requiredUpdates_ofWhatIsUpdated_areFollowedToTheEndAndRoundACycleOnce() {
        Pack pack = Packs.changed(
                "brennick-almery",
                "requires: { gearbox: \"2.05\" }",
                "requires: { body: \"3.31\" }",
                BODY,
                BODY.replace(" }", ", requires: { tail-lift: \"3.12\", engine: \"4.14\" } }"));
        VehicleFacts facts =
                Cases.healthy(JobKind.UPDATE_SOFTWARE, pack, Cases.ALMERY).with(PartFacts.of("engine"));
        facts = Cases.with(facts, "engine", Cases.answer(Cases.ALMERY.text(), "4.11", CodingState.AGREES));
        facts = Cases.with(facts, "body", Cases.answer(Cases.ALMERY.text(), "3.30", CodingState.AGREES));
        VehicleFacts old =
                Cases.with(facts, "tail-lift", Cases.answer(Cases.ALMERY.text(), "3.08", CodingState.AGREES));
        assertThat(programmed(Planner.plan(old))).containsExactlyInAnyOrder("engine", "body", "tail-lift");
        assertThat(operation(Planner.plan(old), Kind.PROGRAM, "tail-lift").reasons())
                .containsExactly("Body 3.31 requires Tail lift 3.12; it has 3.08.");
        assertThat(Planner.plan(old).operations()) // each erase may lose coding
                .extracting(Operation::key)
                .contains("write-coding-body", "write-coding-tail-lift");
        assertThat(programmed(Planner.plan(facts))).containsExactlyInAnyOrder("engine", "body");
    }

    private static List<String> programmed(Plan plan) {
        return plan.operations().stream()
                .filter(o -> o.kind() == Kind.PROGRAM)
                .map(Operation::module)
                .toList();
    }

    @Test
    void requiredUpdates_ofNeighboursThatAreLevelled_areAskedToo() {
        Pack pack = Packs.changed("brennick-almery", BODY, BODY.replace(" }", ", requires: { gearbox: \"2.07\" } }"));
        VehicleFacts facts = Cases.with(
                        Cases.healthy(JobKind.UPDATE_SOFTWARE, pack, Cases.ALMERY)
                                .with(PartFacts.of("tail-lift")),
                        "tail-lift",
                        Cases.answer(Cases.ALMERY.text(), "3.08", CodingState.AGREES))
                .with(new Policy(Map.of(School.NEIGHBOURS, "level-set"), List.of()));
        facts = Cases.with(facts, "body", Cases.answer(Cases.ALMERY.text(), "3.20", CodingState.AGREES));
        facts = Cases.with(facts, "gearbox", Cases.answer(Cases.ALMERY.text(), "2.05", CodingState.AGREES));
        assertThat(Planner.plan(facts).blocks())
                .singleElement()
                .asString()
                .startsWith("Body 3.31 requires Gearbox 2.07; it has 2.05.");
    }
}
