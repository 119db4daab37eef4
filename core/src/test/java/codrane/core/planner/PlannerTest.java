package codrane.core.planner;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.baseline.PutBack;
import codrane.core.fault.Fault;
import codrane.core.fault.FaultCode;
import codrane.core.gateway.OperationMatrix.Gateway;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule.Ident;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PartFacts;
import codrane.core.plan.Plan;
import codrane.core.plan.SettingChange;
import codrane.core.plan.Situations;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import codrane.core.scan.ModuleReading;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class PlannerTest {
    private static Plan plan(String module, Map<String, ModuleReading> readings) {
        return Planner.plan(Situations.replaced(module, readings));
    }

    private static List<Kind> kinds(Plan plan) {
        return Cases.kinds(plan);
    }

    private static Map<String, ModuleReading> with(ModuleReading reading) {
        Map<String, ModuleReading> readings = Situations.healthy();
        readings.put(reading.module(), reading);
        return readings;
    }

    private static ModuleReading tailLift(codrane.core.vin.Vin vin, String software) {
        return Situations.reading(Situations.LORNE.module("tail-lift"), vin, software);
    }

    @Test
    void plan_usedTailLiftWithOlderSoftware_programsWritesVinAndCodes() {
        Plan plan = plan("tail-lift", Situations.usedTailLift());
        assertThat(kinds(plan))
                .containsExactly(
                        Kind.SCAN,
                        Kind.BASELINE,
                        Kind.PROGRAM,
                        Kind.WRITE_VIN,
                        Kind.WRITE_CODING,
                        Kind.RESET,
                        Kind.CLEAR,
                        Kind.PROVE,
                        Kind.PROVE,
                        Kind.FUNCTION_TEST,
                        Kind.AS_LEFT);
        assertThat(plan.blocked()).isFalse();
        assertThat(plan.operations().get(2).reasons().getFirst())
                .isEqualTo("Software 3.08 is older than 3.12, which this vehicle needs.");
        assertThat(plan.operations().get(2).safeToStopDuring()).isFalse();
        assertThat(plan.seconds()).isGreaterThan(60);
    }

    @Test
    void plan_usedTailLiftWhoseSoftwareFits_isCodedOnly() {
        assertThat(kinds(plan("tail-lift", with(tailLift(Situations.DONOR, "3.12")))))
                .doesNotContain(Kind.PROGRAM)
                .contains(Kind.WRITE_VIN);
    }

    @Test
    void plan_bootOnlyPart_isProgrammed() {
        assertThat(kinds(plan("tail-lift", with(tailLift(Situations.VIN, ""))))).contains(Kind.PROGRAM);
    }

    @Test
    void plan_partThatIsRightAlready_writesNoVinAndNoCoding() {
        assertThat(kinds(plan("tail-lift", Situations.healthy())))
                .doesNotContain(Kind.PROGRAM, Kind.WRITE_VIN, Kind.WRITE_CODING);
    }

    @Test
    void plan_silentPart_isBlockedAndWritesNothing() {
        Plan plan = plan("tail-lift", with(ModuleReading.silent("tail-lift")));
        assertThat(plan.blocks()).singleElement().asString().contains("does not answer");
        assertThat(plan.writes()).isEmpty();
    }

    @Test
    void plan_partBoundToItsDonor_isBlocked() {
        ModuleReading bound = Situations.reading(Situations.LORNE.module("restraints"), Situations.DONOR, "5.00");
        assertThat(plan("restraints", with(bound)).blocks())
                .singleElement()
                .asString()
                .contains("bound to 0BKLR3A48MN004131 for good");
    }

    @Test
    void plan_blankVin_isWritten() {
        ModuleReading reading = tailLift(Situations.VIN, "3.12");
        Map<Ident, Bytes> identification = new HashMap<>(reading.identification());
        identification.put(Ident.VIN, Bytes.filled(17, 0xFF));
        ModuleReading blank =
                new ModuleReading("tail-lift", reading.presence(), identification, reading.coding(), List.of(), true);
        assertThat(kinds(plan("tail-lift", with(blank)))).contains(Kind.WRITE_VIN);
    }

    @Test
    void plan_lockedGateway_isAuthorisedBeforeAnyWrite() {
        VehicleFacts facts = Situations.facts(JobKind.REPLACE_MODULE, Situations.usedTailLift(), new Gateway.Locked())
                .with(PartFacts.of("tail-lift"));
        Plan plan = Planner.plan(facts);
        assertThat(plan.blocked()).isFalse();
        assertThat(kinds(plan)).startsWith(Kind.SCAN, Kind.BASELINE, Kind.UNLOCK);
    }

    @Test
    void plan_faultsToClearBehindAGateway_authorisesThenClearsThenProves() {
        ModuleReading lift = tailLift(Situations.VIN, "3.12");
        ModuleReading faulty = withFault(lift, 0x08);
        Plan plan = Planner.plan(Situations.clearing(with(faulty), new Gateway.Locked()));
        assertThat(kinds(plan))
                .containsExactly(
                        Kind.SCAN,
                        Kind.BASELINE,
                        Kind.UNLOCK,
                        Kind.CLEAR,
                        Kind.PROVE,
                        Kind.FUNCTION_TEST,
                        Kind.AS_LEFT);
        assertThat(plan.operations())
                .anySatisfy(o -> assertThat(o.reasons()).anyMatch(r -> r.contains("none of them present")));
    }

    @Test
    void plan_faultThatIsPresent_saysThatItComesBack() {
        Plan plan = Planner.plan(Situations.clearing(
                with(withFault(tailLift(Situations.VIN, "3.12"), 0x09)), new Gateway.None()));
        assertThat(kinds(plan)).contains(Kind.CLEAR).doesNotContain(Kind.UNLOCK);
        assertThat(plan.operations()).anySatisfy(o -> assertThat(o.reasons()).anyMatch(r -> r.contains("comes back")));
    }

    @Test
    void plan_noFaultStored_isBlocked() {
        Plan plan = Planner.plan(Situations.clearing(with(tailLift(Situations.VIN, "3.12")), new Gateway.None()));
        assertThat(plan.blocks()).containsExactly("No fault is stored: there is nothing to clear.");
    }

    private static Plan putBack(PutBack... settings) {
        Map<String, ModuleReading> readings = with(tailLift(Situations.VIN, "3.12"));
        return Planner.plan(Situations.facts(JobKind.FIND_LOST_SETTING, readings, new Gateway.None())
                .with(Wishes.of(Arrays.stream(settings)
                        .map(s -> SettingChange.of(Situations.LORNE, readings, s))
                        .toList())));
    }

    private static String platform() {
        var layout = Situations.LORNE.layouts().get("lift-main");
        return layout.decode(Situations.coded(layout, Situations.VIN)).get("platform");
    }

    @Test
    void plan_lostSettingChosen_writesItsModuleOnlyAndSaysFromWhatToWhat() {
        Plan plan = putBack(new PutBack("tail-lift", "lift-main", "platform", "folding", platform()));
        assertThat(plan.writes()).singleElement().satisfies(write -> {
            assertThat(write.kind()).isEqualTo(Kind.WRITE_CODING);
            assertThat(write.module()).isEqualTo("tail-lift");
            assertThat(write.reasons()).containsExactly("Platform: " + platform() + " → folding, as it was before.");
            assertThat(write.holds()).contains(HoldPoint.BASELINE_STORED, HoldPoint.WRITES_RELEASED);
        });
    }

    @Test
    void plan_settingThatIsAnotherThanWhenItWasChosen_isBlocked() {
        assertThat(putBack(new PutBack("tail-lift", "lift-main", "platform", "folding", "something else"))
                        .blocks())
                .singleElement()
                .asString()
                .contains("compare again");
    }

    @Test
    void plan_valueThatTheLayoutDoesNotTake_isBlocked() {
        assertThat(putBack(new PutBack("tail-lift", "lift-main", "platform", "hovering", platform()))
                        .blocks())
                .singleElement()
                .asString()
                .contains("can't be put back");
    }

    @Test
    void plan_nothingChosen_writesNothing() {
        Plan plan = putBack();
        assertThat(plan.blocked()).isFalse();
        assertThat(plan.writes()).isEmpty();
    }

    /** As after the first of two blocks was written, or when somebody else wrote it meanwhile. */
    @Test
    void plan_whatIsThereAlready_isSaidAndNotWrittenAgain() {
        var layout = Situations.LORNE.layouts().get("lift-main");
        String now = Situations.coded(layout, Situations.VIN).hex();
        for (PutBack there : List.of(
                new PutBack("tail-lift", "lift-main", "platform", platform(), "something else"),
                new PutBack("tail-lift", "lift-main", PutBack.WHOLE, now, "11"))) {
            assertThat(putBack(there).writes()).isEmpty();
            assertThat(putBack(there).blocks()).singleElement().asString().startsWith("It is there already:");
        }
    }

    @Test
    void plan_wholeBlock_isJudgedByItsOctets() {
        var layout = Situations.LORNE.layouts().get("lift-main");
        String now = Situations.coded(layout, Situations.VIN).hex();
        assertThat(putBack(new PutBack("tail-lift", "lift-main", PutBack.WHOLE, "00".repeat(24), now))
                        .writes())
                .hasSize(1);
        assertThat(putBack(new PutBack("tail-lift", "lift-main", PutBack.WHOLE, "00".repeat(24), "11"))
                        .blocked())
                .isTrue();
    }

    private static ModuleReading withFault(ModuleReading reading, int status) {
        return new ModuleReading(
                reading.module(),
                reading.presence(),
                reading.identification(),
                reading.coding(),
                List.of(new Fault(reading.module(), FaultCode.parse("C1029-08"), status)),
                true);
    }

    @Test
    void plan_oldNeighbours_areLeftAloneAndNamed() {
        ModuleReading brakes = Situations.reading(Situations.LORNE.module("brakes"), Situations.VIN, "1.9");
        Plan plan = plan("tail-lift", with(brakes));
        assertThat(plan.writes().map(Operation::module)).doesNotContain("brakes");
        assertThat(plan.decisions())
                .anySatisfy(d -> assertThat(d.judgement().reason()).contains("Older software in Brakes is left alone"));
    }

    @Test
    void plan_baselineOnly_writesNothing() {
        VehicleFacts facts = Situations.facts(JobKind.BASELINE_ONLY, Situations.usedTailLift(), new Gateway.Locked());
        Plan plan = Planner.plan(facts);
        assertThat(plan.blocked()).isFalse();
        assertThat(kinds(plan)).containsExactly(Kind.SCAN, Kind.BASELINE, Kind.PROVE);
    }
}
