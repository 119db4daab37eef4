package codrane.core.planner;

import static codrane.core.planner.Cases.kinds;
import static codrane.core.planner.Cases.operation;
import static codrane.core.planner.Cases.plan;
import static codrane.core.planner.Cases.reason;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.fault.Fault;
import codrane.core.fault.FaultCode;
import codrane.core.pack.Packs;
import codrane.core.plan.Aids;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PartFacts;
import codrane.core.plan.Plan;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import codrane.core.scan.CodingState;
import java.util.List;
import org.junit.jupiter.api.Test;

/** One plan for each kind of job. */
class KindsTest {
    @Test
    void k1_faultsBehindAGateway_unlocksClearsAndProves() {
        VehicleFacts facts = Cases.with(
                Cases.healthy(JobKind.CLEAR_FAULTS, Packs.load("brennick-almery"), Cases.ALMERY),
                "tail-lift",
                Cases.answer(
                        Cases.ALMERY.text(),
                        "3.12",
                        CodingState.AGREES,
                        new Fault("tail-lift", FaultCode.parse("C1029-08"), 8)));
        assertThat(kinds(plan(facts)))
                .containsExactly(
                        Kind.SCAN,
                        Kind.BASELINE,
                        Kind.UNLOCK,
                        Kind.CLEAR,
                        Kind.PROVE,
                        Kind.FUNCTION_TEST,
                        Kind.AS_LEFT);
    }

    @Test
    void k2_alteredSoftware_writesTheSameVersionAgainAndPutsCustomCodingBack() {
        Plan plan = plan(Cases.k2());
        assertThat(kinds(plan))
                .containsExactly(
                        Kind.SCAN,
                        Kind.READ_CODING,
                        Kind.BASELINE,
                        Kind.PROGRAM,
                        Kind.WRITE_CODING,
                        Kind.RESET,
                        Kind.CLEAR,
                        Kind.PROVE,
                        Kind.PROVE,
                        Kind.FUNCTION_TEST,
                        Kind.AS_LEFT);
        Operation program = operation(plan, Kind.PROGRAM, "body");
        assertThat(program.reasons())
                .anyMatch(r -> r.contains("none of the maker's"))
                .contains("The same version is written again: 3.31.");
        assertThat(operation(plan, Kind.PROVE, "body").reasons()).anyMatch(r -> r.contains("its counter one more"));
        assertThat(program.needs()).contains("no second writer on the socket");
        assertThat(program.safeToStopDuring()).isFalse();
    }

    @Test
    void k2_unalteredSoftware_isBlocked() {
        Plan plan = Planner.plan(Cases.k2().with(Aids.NONE.with(Aids.Content.STOCK)));
        assertThat(plan.blocks()).singleElement().asString().contains("unaltered");
        assertThat(plan.writes()).isEmpty();
    }

    @Test
    void k2_nobodyKnows_comparesFirst() {
        Plan plan = plan(Cases.k2().with(Aids.NONE));
        assertThat(operation(plan, Kind.PROGRAM, "body").reasons()).anyMatch(r -> r.contains("compared first"));
    }

    @Test
    void k3_successor_isWrittenAndCodingReadBefore() {
        Plan plan = plan(Cases.k3());
        assertThat(kinds(plan)).startsWith(Kind.SCAN, Kind.READ_CODING, Kind.BASELINE, Kind.UNLOCK, Kind.PROGRAM);
        assertThat(reason(plan, "update-software")).isEqualTo("Software 4.11 has the successor 4.14.");
        assertThat(operation(plan, Kind.WRITE_CODING, "engine").reasons())
                .anyMatch(r -> r.contains("may wipe the coding of the engine"));
    }

    @Test
    void k3_newestAlready_isBlocked() {
        VehicleFacts facts =
                Cases.with(Cases.k3(), "engine", Cases.answer(Cases.ALMERY.text(), "4.14", CodingState.AGREES));
        assertThat(Planner.plan(facts).blocks())
                .containsExactly("Software 4.14 is the newest there is: nothing to update.");
    }

    @Test
    void k3_emissionsModule_isNotRefused_sinceTheMakersFileAltersNothing() {
        assertThat(reason(plan(Cases.k3()), "law-allows")).doesNotContain("Refused");
    }

    @Test
    void k4_nothingChosen_writesNothing() {
        Plan plan = plan(Cases.healthy(JobKind.FIND_LOST_SETTING, Packs.wisp(), Cases.WISP));
        assertThat(kinds(plan)).containsExactly(Kind.SCAN, Kind.BASELINE);
    }

    @Test
    void k5_settingByName_writesOneModuleAndSaysFromAndTo() {
        Plan plan = plan(Cases.k19(JobKind.CHANGE_SETTING));
        assertThat(plan.writes())
                .filteredOn(o -> o.kind() == Kind.WRITE_CODING)
                .singleElement()
                .satisfies(write -> {
                    assertThat(write.module()).isEqualTo("spreader");
                    assertThat(write.reasons())
                            .contains("Spreading width: 6 m → 4.5 m.", "Hopper tilt limit: 42 degrees → 40 degrees.");
                });
        assertThat(kinds(plan))
                .contains(Kind.SLEEP, Kind.INITIALISE)
                .endsWith(Kind.CLEAR, Kind.PROVE, Kind.FUNCTION_TEST, Kind.AS_LEFT);
    }

    @Test
    void k6_line_needsTheInstructionAndComputesTheCheckAnew() {
        Operation write = operation(plan(Cases.k6()), Kind.WRITE_CODING, "body");
        assertThat(write.needs()).contains("the instruction with its source");
        assertThat(write.reasons()).anyMatch(r -> r.contains("check byte"));
    }

    @Test
    void k7_counting_codesBothModulesSleepsAndRelearns() {
        Plan plan = plan(Cases.k7());
        assertThat(plan.operations())
                .filteredOn(o -> o.kind() == Kind.WRITE_CODING)
                .extracting(Operation::module)
                .containsExactly("body", "doors");
        assertThat(kinds(plan))
                .containsSubsequence(Kind.WRITE_CODING, Kind.SLEEP, Kind.RELEARN, Kind.CLEAR, Kind.PROVE);
        assertThat(reason(plan, "is-it-there-already")).contains("driver's menu");
        assertThat(operation(plan, Kind.WRITE_CODING, "body").ifLeftHere()).contains("in part only");
        assertThat(operation(plan, Kind.WRITE_CODING, "doors").ifLeftHere()).isEmpty();
    }

    @Test
    void k7_withWashModeOn_isBlockedUntilOneIsChosen() {
        Wishes wishes = Cases.k7().wishes();
        List<codrane.core.plan.SettingChange> now = List.of(
                wishes.settings().get(0),
                wishes.settings().get(1),
                Cases.setting("body", "body-main", "wash", "Wash mode", "yes", ""));
        VehicleFacts facts = Cases.k7().with(Wishes.of(List.of("counting"), now));
        assertThat(Planner.plan(facts).blocks()).singleElement().asString().contains("does not go with Wash mode");
    }

    @Test
    void k7_withWashModeTurnedOffInTheSameVisit_isPlanned() {
        Wishes wishes = Cases.k7().wishes();
        List<codrane.core.plan.SettingChange> both = List.of(
                wishes.settings().get(0),
                wishes.settings().get(1),
                Cases.setting("body", "body-main", "wash", "Wash mode", "yes", "no"));
        Plan plan = plan(Cases.k7().with(Wishes.of(List.of("counting"), both)));
        assertThat(plan.operations())
                .filteredOn(o -> o.kind() == Kind.WRITE_CODING)
                .extracting(Operation::module)
                .containsExactly("body", "doors");
        assertThat(operation(plan, Kind.WRITE_CODING, "body").reasons().toString())
                .contains("Wash mode")
                .contains("counting");
    }

    @Test
    void k7_otherEquipmentThatIsOnInPart_isSaidToBe() {
        VehicleFacts facts = Cases.k7()
                .with(Wishes.of(
                        List.of("wash"),
                        List.of(
                                Cases.setting("body", "body-main", "counting", "Passenger counting", "yes", ""),
                                Cases.setting("doors", "doors-main", "counting", "Counts passengers", "no", ""))));
        assertThat(Planner.plan(facts).blocks())
                .containsExactly("Wash mode does not go with Passenger counting, which is on in part: decide which of"
                        + " them stays.");
    }

    @Test
    void k7_whatTheEquipmentNeeds_isEnabledWithIt() {
        Plan plan = plan(Cases.k7().with(Wishes.of(List.of("mirrors-dip"), List.of())));
        assertThat(reason(plan, "enable-feature"))
                .contains("It needs what comes with it: Mirrors remember their place.");
        assertThat(operation(plan, Kind.WRITE_CODING, "body").reasons().toString())
                .contains("Mirror left: remembers its place by key");
    }

    @Test
    void k7_enabledAlready_isAFaultToBeFound() {
        List<codrane.core.plan.SettingChange> now = List.of(
                Cases.setting("body", "body-main", "counting", "Passenger counting", "yes", ""),
                Cases.setting("doors", "doors-main", "counting", "Counts passengers", "yes", ""));
        VehicleFacts facts = Cases.k7().with(Wishes.of(List.of("counting"), now));
        assertThat(Planner.plan(facts).blocks()).singleElement().asString().contains("enabled already");
    }

    @Test
    void k9_secondHandWithOlderSoftware_programsWritesVinAndCodes() {
        assertThat(kinds(plan(Cases.k9())))
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
    }

    @Test
    void k9_speaksAndItsSoftwareFits_isCodedOnlyAndNothingElseIsTouched() {
        VehicleFacts facts =
                Cases.with(Cases.k9(), "tail-lift", Cases.answer(Cases.DONOR, "3.12", CodingState.FOR_ANOTHER));
        Plan plan = plan(facts);
        assertThat(kinds(plan)).doesNotContain(Kind.PROGRAM).contains(Kind.WRITE_VIN, Kind.WRITE_CODING);
        assertThat(plan.writes())
                .allMatch(o -> o.module().isEmpty() || o.module().equals("tail-lift"));
    }

    @Test
    void k10_newSpreader_isProgrammedCodedAndFindsItsZero() {
        Plan plan = plan(Cases.k10());
        assertThat(kinds(plan))
                .containsSubsequence(
                        Kind.PROGRAM, Kind.WRITE_VIN, Kind.WRITE_CODING, Kind.RESET, Kind.INITIALISE, Kind.CLEAR);
        assertThat(operation(plan, Kind.INITIALISE, "spreader").cautions())
                .anyMatch(c -> c.contains("moves by itself"));
    }

    @Test
    void k11_usedGearbox_getsTheVinBeforeItIsPairedAndKeysAreTried() {
        Plan plan = plan(Cases.k11());
        assertThat(kinds(plan))
                .containsSubsequence(Kind.WRITE_VIN, Kind.WRITE_CODING, Kind.PAIR, Kind.FUNCTION_TEST)
                .doesNotContain(Kind.ADD_KEY);
        Operation pair = operation(plan, Kind.PAIR, "gearbox");
        assertThat(pair.holds()).contains(HoldPoint.OWNERSHIP_PROVED, HoldPoint.NO_WAY_BACK, HoldPoint.LEAD_APPROVED);
        assertThat(pair.needs()).contains("access code", "all keys here");
        assertThat(operation(plan, Kind.FUNCTION_TEST, "gearbox").title()).isEqualTo("Start the engine with every key");
    }

    @Test
    void k12_blankBody_pairsEveryMemberAndLearnsTheKeysThatAreHere() {
        Plan plan = plan(Cases.k12());
        assertThat(plan.operations())
                .filteredOn(o -> o.kind() == Kind.PAIR)
                .extracting(Operation::module)
                .containsExactly("engine", "key-reader");
        Operation keys = operation(plan, Kind.ADD_KEY, "body");
        assertThat(keys.ifLeftHere())
                .as("when the keys are learned the vehicle starts")
                .isEmpty();
        assertThat(keys.title()).isEqualTo("Learn 2 keys");
        assertThat(keys.reasons()).anyMatch(r -> r.startsWith("1 of 3 keys is missing"));
        assertThat(keys.holds()).contains(HoldPoint.KEYS_COUNTED);
        assertThat(operation(plan, Kind.PAIR, "engine").needs()).contains("code of the day");
        assertThat(operation(plan, Kind.WRITE_CODING, "body").holds()).contains(HoldPoint.GAPS_CONFIRMED);
    }

    @Test
    void k12_noKeyHere_isBlocked() {
        assertThat(Planner.plan(Cases.k12().with(Aids.NONE.with(new Aids.Keys(3, 0))))
                        .blocks())
                .singleElement()
                .asString()
                .contains("No key is here");
    }

    @Test
    void k13_doors_areReadErasedLearnAndGetTheirCodingBack() {
        Plan plan = plan(Cases.k13());
        assertThat(kinds(plan))
                .containsSubsequence(Kind.READ_CODING, Kind.BASELINE, Kind.WRITE_VIN, Kind.WRITE_CODING, Kind.RELEARN);
        assertThat(operation(plan, Kind.WRITE_VIN, "doors").ifLeftHere()).contains("coding is erased");
    }

    @Test
    void k13_neighbourWithAnotherVin_isBlocked() {
        VehicleFacts facts = Cases.with(Cases.k13(), "body", Cases.answer(Cases.DONOR, "3.31", CodingState.AGREES));
        assertThat(Planner.plan(facts).blocks()).singleElement().asString().contains("or a wrong one is learned");
    }

    @Test
    void k14_radar_oldOneSpeaks_isReadAndSwappedAndNothingElse() {
        Plan plan = plan(Cases.k14());
        assertThat(kinds(plan)).containsExactly(Kind.SCAN, Kind.READ_CODING, Kind.BASELINE, Kind.SWAP);
        assertThat(operation(plan, Kind.READ_CODING, "front-radar").reasons())
                .anyMatch(r -> r.contains("radar azimuth"));
        assertThat(operation(plan, Kind.SWAP, "front-radar").holds()).contains(HoldPoint.OLD_MODULE_READ);
    }

    @Test
    void k14_radar_whoseOldOneWasRead_isAimedAfterCoding() {
        Plan plan = plan(Cases.k14Read());
        assertThat(kinds(plan))
                .containsSubsequence(
                        Kind.BASELINE, Kind.UNLOCK, Kind.WRITE_CODING, Kind.CALIBRATE, Kind.PROVE, Kind.DRIVE);
        assertThat(operation(plan, Kind.CALIBRATE, "front-radar").needs()).contains("targets for aiming");
        assertThat(operation(plan, Kind.WRITE_CODING, "front-radar").reasons())
                .anyMatch(r -> r.contains("Exactly what this vehicle had"));
    }

    @Test
    void k14_oldOneIsDead_takesTheLineSheet() {
        VehicleFacts facts = Cases.k14().with(Cases.k14().part().with(PartFacts.Old.SILENT));
        Plan plan = plan(facts);
        assertThat(kinds(plan)).doesNotContain(Kind.READ_CODING);
        assertThat(operation(plan, Kind.WRITE_CODING, "front-radar").holds()).contains(HoldPoint.SHEET_CHECKED);
    }

    @Test
    void k15_steering_isProgrammedAndApprovedAndLearnsStraightAhead() {
        Plan plan = plan(Cases.k15());
        assertThat(kinds(plan)).containsSubsequence(Kind.PROGRAM, Kind.WRITE_CODING, Kind.CALIBRATE, Kind.DRIVE);
        assertThat(operation(plan, Kind.PROGRAM, "steering").holds()).contains(HoldPoint.LEAD_APPROVED);
        assertThat(operation(plan, Kind.CALIBRATE, "steering").cautions()).anyMatch(c -> c.contains("Engine running"));
    }

    @Test
    void k16_baseline_writesNothingEvenBehindALockedGateway() {
        Plan plan = plan(Cases.healthy(JobKind.BASELINE_ONLY, Packs.load("brennick-almery"), Cases.ALMERY));
        assertThat(kinds(plan)).containsExactly(Kind.SCAN, Kind.BASELINE, Kind.PROVE);
        assertThat(reason(plan, "support-unit-or-engine")).contains("support unit on");
    }

    @Test
    void k17_variant_bindsTheLicenceOnlyAfterTheVinWasLookedAt() {
        Operation write = operation(plan(Cases.k17()), Kind.WRITE_CODING, "announcements");
        assertThat(write.holds()).contains(HoldPoint.IDENTITY_SETTLED, HoldPoint.NO_WAY_BACK);
        assertThat(write.needs()).contains("licence, exact to the character");
    }

    @Test
    void k18_tool_hasItsStepsInOrderAndTouchesNoVehicle() {
        Plan plan = plan(Cases.healthy(JobKind.READY_TOOL, Packs.lorne(), Cases.LORNE));
        assertThat(kinds(plan)).containsOnly(Kind.SET_UP);
        assertThat(plan.operations())
                .first()
                .extracting(Operation::title)
                .isEqualTo("Ask for its registration at the authorities");
        assertThat(plan.operations()).last().extracting(Operation::title).isEqualTo("Have a vehicle answer over it");
    }

    @Test
    void k19_scaledValue_writesTheNearestThatTheModuleHolds() {
        assertThat(operation(plan(Cases.k19(JobKind.SCALED_VALUE)), Kind.WRITE_CODING, "spreader")
                        .reasons())
                .anyMatch(r -> r.contains("nearest value"));
    }
}
