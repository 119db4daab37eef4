package codrane.core.planner;

import static codrane.core.planner.Cases.kinds;
import static codrane.core.planner.Cases.operation;
import static codrane.core.planner.Cases.reason;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.fault.Fault;
import codrane.core.fault.FaultCode;
import codrane.core.pack.Packs;
import codrane.core.plan.Aids;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PartFacts;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Plan;
import codrane.core.plan.Said;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Workplace;
import codrane.core.plan.Workplace.Worker;
import codrane.core.planner.FaultOutlook.Outcome;
import codrane.core.scan.CodingState;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What is at hand, who works, what became of what was tried, and what becomes of the faults. */
class AtHandTodayTest {
    private static Workplace place(
            Double battery, Worker worker, int others, Boolean wireless, Boolean online, Double heat) {
        return new Workplace(
                Optional.ofNullable(battery),
                Optional.ofNullable(worker),
                Optional.empty(),
                Optional.empty(),
                others,
                Optional.ofNullable(wireless),
                Optional.ofNullable(online),
                Optional.ofNullable(heat));
    }

    private static Plan plan(VehicleFacts facts, Workplace place) {
        return Planner.plan(facts.with(facts.aids().with(place)));
    }

    @Test
    void trainee_writesOnlyWithTheLead() {
        Plan plan = plan(Cases.fits(), place(null, new Worker(true, false, false), 0, null, null, null));
        assertThat(plan.writes()).isNotEmpty().allMatch(o -> o.holds().contains(HoldPoint.LEAD_APPROVED));
    }

    @Test
    void licensedAndHighVoltageWork_isForWhoMay() {
        assertThat(plan(Cases.k15(), place(null, new Worker(false, false, false), 0, null, null, null))
                        .blocks())
                .singleElement()
                .asString()
                .contains("no licence");
        assertThat(plan(Cases.k15(), place(null, new Worker(false, true, false), 0, null, null, null))
                        .blocks())
                .isEmpty();
        VehicleFacts battery = Cases.with(
                Cases.healthy(JobKind.REPLACE_BY_NEW, Packs.load("tolvane-chorus"), Cases.CHORUS)
                        .with(Cases.part("traction-battery", PartOrigin.NEW, PartFacts.Old.GONE)
                                .withNumbers("", "TV-20114-C2")),
                "traction-battery",
                Cases.answer("", "1.7", CodingState.BLANK));
        assertThat(plan(battery, place(null, new Worker(false, true, false), 0, null, null, null))
                        .blocks())
                .anyMatch(b -> b.contains("not qualified"));
    }

    @Test
    void otherToolHeatNoInternetAndWireless_changeThePlan() {
        assertThat(plan(Cases.fits(), place(null, null, 1, null, null, null)).blocks())
                .containsExactly("Another tool is on the diagnostic socket: never two writers at once. Unplug it.");
        assertThat(plan(Cases.k9(), place(null, null, 0, null, null, 66.0)).blocks())
                .singleElement()
                .asString()
                .contains("let it cool");
        assertThat(plan(Cases.k3(), place(null, null, 0, null, false, null)).blocks())
                .singleElement()
                .asString()
                .contains("the authorisation of the gateway can't be got");
        Plan wired = plan(Cases.k9(), place(null, null, 0, true, null, null));
        assertThat(operation(wired, Kind.SET_UP, "cable").prompts())
                .containsExactly("Unpair, plug in, and have one request answered");
    }

    @Test
    void weakBattery_isChargedFirst_andAFailedCellStopsIt() {
        assertThat(kinds(plan(Cases.k9(), place(12.1, null, 0, null, null, null))))
                .startsWith(Kind.SET_UP);
        assertThat(kinds(plan(Cases.k9(), place(12.7, null, 0, null, null, null))))
                .doesNotContain(Kind.SET_UP);
        assertThat(plan(Cases.k9(), place(9.8, null, 0, null, null, null)).blocks())
                .singleElement()
                .asString()
                .contains("a cell has failed");
    }

    @Test
    void complaint_isNamedByTheProof() {
        VehicleFacts facts = Cases.fits().with(Aids.NONE.with(Said.NOTHING.withComplaint("The platform stays down")));
        assertThat(operation(Planner.plan(facts), Kind.FUNCTION_TEST, "tail-lift")
                        .reasons())
                .containsExactly("Is the complaint mended: \"The platform stays down\"?");
    }

    @Test
    void doesNotWork_leadsOn_theGentlestFirst() {
        Plan plan = Planner.plan(Cases.fits());
        assertThat(WaysOn.of(Cases.fits(), plan))
                .extracting(WaysOn.Way::id)
                .containsExactly("settle", "source", "diagnose", "tool", "specialist");
        VehicleFacts value = Cases.k19(JobKind.CHANGE_SETTING);
        assertThat(WaysOn.of(value, Planner.plan(value)))
                .extracting(WaysOn.Way::id)
                .contains("undo");
        VehicleFacts tried = Cases.fits().with(Aids.NONE.withSettled(EnumSet.allOf(Aids.Settling.class)));
        assertThat(WaysOn.of(tried, plan)).extracting(WaysOn.Way::id).doesNotContain("settle");
        assertThat(WaysOn.rung(Cases.fits().with(Aids.NONE.withSettled(EnumSet.of(Aids.Settling.SLEEP))), plan))
                .contains(Aids.Settling.RELEARN);
    }

    @Test
    void faults_goByAnAct_mayStay_arePhysicalOrReal() {
        VehicleFacts facts = Cases.with(
                Cases.k9(),
                "tail-lift",
                Cases.answer(
                        Cases.DONOR,
                        "3.08",
                        CodingState.FOR_ANOTHER,
                        fault("U1301-00"),
                        fault("B1A05-55"),
                        fault("B1A11-48"),
                        fault("C1027-16"),
                        fault("C1234-56")));
        Plan plan = Planner.plan(facts);
        List<FaultOutlook> outlook = FaultOutlook.of(facts, plan, (module, code) -> Optional.empty());
        assertThat(outlook)
                .extracting(FaultOutlook::by)
                .containsExactly("write-vin-tail-lift", "write-coding-tail-lift", "program-tail-lift", "", "");
        assertThat(outlook)
                .extracting(FaultOutlook::outcome)
                .containsExactly(Outcome.GOES, Outcome.GOES, Outcome.GOES, Outcome.REAL, Outcome.MAY_STAY);
        assertThat(FaultOutlook.of(facts, plan, (module, code) -> Optional.of("a load stood on the sensor")))
                .allMatch(o -> o.outcome() == Outcome.PHYSICAL);
    }

    @Test
    void fault_whoseConditionStays_doesNotGoByClearing() {
        VehicleFacts facts = Cases.with(
                Cases.healthy(JobKind.CLEAR_FAULTS, Packs.lorne(), Cases.LORNE),
                "instruments",
                Cases.answer(
                        Cases.LORNE.text(),
                        "7.04",
                        CodingState.AGREES,
                        new Fault("instruments", FaultCode.parse("U1467-87"), 8)));
        assertThat(FaultOutlook.of(facts, Planner.plan(facts), (module, code) -> Optional.empty()))
                .as("it arises from the tail lift's coding, which this plan leaves")
                .singleElement()
                .extracting(FaultOutlook::outcome)
                .isEqualTo(Outcome.MAY_STAY);
    }

    private static Fault fault(String code) {
        return new Fault("tail-lift", FaultCode.parse(code), 8);
    }

    @Test
    void initialiseWithoutAProcedure_isSaid() {
        VehicleFacts facts = Cases.fits().with(Aids.NONE.withWording("Configure it. Then initialise the platform."));
        Plan plan = Planner.plan(facts);
        assertThat(reason(plan, "initialise-as-asked")).contains("knows no routine of the tail lift");
        assertThat(operation(plan, Kind.FUNCTION_TEST, "tail-lift").prompts())
                .anyMatch(p -> p.contains("by the maker's own procedure"));
    }

    @Test
    void proof_ofWhatIsNotTriedByHand_saysWhatIsLookedAt() {
        VehicleFacts facts = Cases.with(
                Cases.healthy(JobKind.REPLACE_BY_NEW, Packs.lorne(), Cases.LORNE)
                        .with(Cases.part("restraints", PartOrigin.NEW, PartFacts.Old.GONE)
                                .withNumbers("", "BK-45018-B3")),
                "restraints",
                Cases.answer("", "5.00", CodingState.BLANK));
        assertThat(operation(Planner.plan(facts), Kind.FUNCTION_TEST, "restraints")
                        .title())
                .startsWith("Look at the restraints lamp");
        assertThat(operation(Planner.plan(Cases.k3()), Kind.DRIVE, "engine").title())
                .contains("every monitor");
    }

    @Test
    void minutes_areBelievable() {
        Plan plan = Planner.plan(Cases.k14Read());
        assertThat(operation(plan, Kind.CALIBRATE, "front-radar").seconds()).isGreaterThan(3000);
        assertThat(operation(plan, Kind.BASELINE, "").seconds()).isGreaterThan(120);
        assertThat(operation(plan, Kind.UNLOCK, "").seconds()).isGreaterThanOrEqualTo(300);
    }

    @Test
    void keys_areLearnedWithTheToolThatCan_andPairedOnlyWithAKeyHere() {
        assertThat(operation(Planner.plan(Cases.k12()), Kind.ADD_KEY, "body").needs())
                .anyMatch(n -> n.startsWith("Heron Peregil"));
        VehicleFacts none = Cases.k11().with(Aids.NONE.with(new Aids.Keys(2, 0)));
        assertThat(Planner.plan(none).blocks()).singleElement().asString().contains("No key is here");
        assertThat(operation(Planner.plan(Cases.k17()), Kind.WRITE_CODING, "announcements")
                        .prompts())
                .containsExactly("Volume down first", "Key off for 10 s, then on within 20 s, or the step starts over");
    }
}
