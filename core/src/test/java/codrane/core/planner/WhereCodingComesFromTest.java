package codrane.core.planner;

import static codrane.core.planner.Cases.kinds;
import static codrane.core.planner.Cases.operation;
import static codrane.core.planner.Cases.overruled;
import static codrane.core.planner.Cases.reason;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.CodingSource;
import codrane.core.pack.Concern;
import codrane.core.pack.Packs;
import codrane.core.plan.Aids;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PartFacts;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Plan;
import codrane.core.plan.School;
import codrane.core.plan.Situations;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import codrane.core.plan.Workplace;
import codrane.core.scan.CodingState;
import codrane.core.scan.ModuleReading;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Where coding comes from, and where it goes. */
class WhereCodingComesFromTest {
    @ParameterizedTest
    @EnumSource(
            value = CodingState.class,
            names = {"BLANK", "CHECK_WRONG", "FOR_ANOTHER"})
    void erasedInPlace_whatWasNotGood_isNotWrittenBack(CodingState state) {
        VehicleFacts facts = Cases.with(Cases.k2(), "body", Cases.answer(Cases.LORNE_BUS.text(), "3.31", state));
        Operation write = operation(Planner.plan(facts), Kind.WRITE_CODING, "body");
        assertThat(write.title()).doesNotEndWith("back");
        assertThat(write.holds()).contains(HoldPoint.SHEET_CHECKED);
    }

    @Test
    void coding_withoutAnyMark_isComparedWithASource() {
        VehicleFacts facts = Cases.with(
                Cases.healthy(JobKind.REPLACE_MODULE, Packs.lorne(), Cases.LORNE)
                        .with(Cases.part("rear-camera", PartOrigin.SECOND_HAND, PartFacts.Old.GONE)),
                "rear-camera",
                Cases.answer(Cases.DONOR, "1.02", CodingState.AGREES));
        assertThat(facts.coding("rear-camera")).isEqualTo(CodingState.UNMARKED);
        assertThat(operation(Planner.plan(facts), Kind.WRITE_CODING, "rear-camera")
                        .reasons())
                .anyMatch(r -> r.contains("bears no mark of any vehicle"));
    }

    @ParameterizedTest
    @CsvSource({"instruments, TO_GET", "doors, TO_GET", "announcements, NOT_THERE"})
    void vehicleOrder_isASource_whereARuleSpeaksOfTheModule(String module, CodingSources.State state) {
        VehicleFacts facts = Cases.healthy(JobKind.REPLACE_MODULE, Packs.load("tolvane-chorus"), Cases.CHORUS)
                .with(Cases.part(module, PartOrigin.NEW, PartFacts.Old.GONE));
        assertThat(CodingSources.rank(facts, facts.module().orElseThrow()))
                .filteredOn(r -> r.source() == CodingSource.VEHICLE_ORDER)
                .extracting(CodingSources.Ranked::state)
                .containsExactly(state);
    }

    @Test
    void worstOfSeveralBlocks_counts_notTheLast() {
        Map<String, Bytes> blocks = new HashMap<>();
        var layouts = Situations.LORNE.blocksOf(Situations.LORNE.module("body"));
        blocks.put(layouts.get(0).id(), Bytes.filled(layouts.get(0).length(), 0x5A));
        blocks.put(layouts.get(1).id(), Bytes.filled(layouts.get(1).length(), 0xFF));
        ModuleReading reading =
                new ModuleReading("body", ModuleReading.Presence.ANSWERS, Map.of(), blocks, List.of(), true);
        assertThat(CodingState.of(Situations.LORNE, Situations.LORNE.module("body"), reading, Situations.VIN))
                .as("a check that does not fit is worse than a blank block after it")
                .isEqualTo(CodingState.CHECK_WRONG);
    }

    @Test
    void vinThereAndCodingBlank_isWorkToDo() {
        VehicleFacts facts =
                Cases.with(Cases.k13(), "doors", Cases.answer(Cases.LORNE_BUS.text(), "2.4", CodingState.BLANK));
        Plan plan = Planner.plan(facts);
        assertThat(plan.blocks()).isEmpty();
        assertThat(kinds(plan)).contains(Kind.WRITE_CODING).doesNotContain(Kind.WRITE_VIN);
    }

    @Test
    void chosenSource_thatIsNotPossible_isSaid() {
        Plan plan = Planner.plan(overruled(Cases.fits(), School.CODING_SOURCE, "vehicle-order"));
        assertThat(operation(plan, Kind.WRITE_CODING, "tail-lift").reasons())
                .anyMatch(r -> r.startsWith("Chosen was") && r.contains("This maker has none"));
    }

    @ParameterizedTest
    @CsvSource({"peregil-dunlin, steering, true", "peregil-dunlin, climate, false"})
    void anothersValues_whereTheyCouldHurt_areTheLeads(String pack, String module, boolean lead) {
        VehicleFacts facts = Cases.with(
                Cases.healthy(JobKind.REPLACE_MODULE, Packs.load(pack), Cases.DUNLIN)
                        .with(codrane.core.pack.MarketRules.NONE)
                        .with(Cases.part(module, PartOrigin.NEW, PartFacts.Old.GONE)),
                module,
                Cases.answer("", Packs.load(pack).module(module).software().current(), CodingState.BLANK));
        assertThat(operation(Planner.plan(facts), Kind.WRITE_CODING, module)
                        .holds()
                        .contains(HoldPoint.LEAD_APPROVED))
                .isEqualTo(lead);
    }

    @Test
    void keeperOfTheOrder_getsItBack_andAnEmptyFamilyIsSaid() {
        VehicleFacts facts = Cases.with(
                Cases.healthy(JobKind.REPLACE_MODULE, Packs.lorne(), Cases.LORNE)
                        .with(Cases.part("instruments", PartOrigin.NEW, PartFacts.Old.GONE))
                        .with(new Wishes(
                                List.of(),
                                List.of(),
                                new Wishes.OrderChange(List.of("LFT1", "USE3"), List.of(), List.of()))),
                "instruments",
                Cases.answer("", "7.04", CodingState.BLANK));
        Operation order = operation(Planner.plan(facts), Kind.WRITE_ORDER, "instruments");
        assertThat(order.reasons())
                .contains("The body keeps a copy of it.")
                .anyMatch(r -> r.contains("\"market\"") && r.contains("MKT1 or MKT2 is missing"));
    }

    @Test
    void learned_isReadBeforeAndWrittenAfter_whereNoRoutineLearnsIt() {
        Plan plan = Planner.plan(Cases.k3());
        assertThat(operation(plan, Kind.READ_CODING, "engine").reasons())
                .anyMatch(r -> r.contains("idle trim, injector 1 correction"));
        assertThat(operation(plan, Kind.WRITE_LEARNED, "engine").reasons()).anyMatch(r -> r.contains("goes back"));
        assertThat(kinds(Planner.plan(Cases.k10())))
                .as("the spreader is weighed empty anew")
                .contains(Kind.INITIALISE)
                .doesNotContain(Kind.WRITE_LEARNED);
    }

    @Test
    void concern_isOfTheSetting_notOfTheModuleAroundIt() {
        VehicleFacts comfort = Cases.healthy(JobKind.CHANGE_SETTING, Packs.load("peregil-dunlin"), Cases.DUNLIN)
                .with(Wishes.of(
                        List.of(Cases.setting("body", "body-comfort", "home.light", "Home light", "20 s", "30 s"))));
        assertThat(LawAllows.rules(comfort))
                .as("the body keeps the immobiliser's secret")
                .isEmpty();
        VehicleFacts load = settingOf("tail-lift", "lift-limits", "load.most", "Greatest load", "350 kg", "400 kg");
        assertThat(LawAllows.rules(load)).extracting(r -> r.concern()).containsExactly(Concern.LIFTING);
        VehicleFacts rows = settingOf("restraints", "restraints-vehicle", "rows", "Seat rows with belts", "2", "3");
        assertThat(LawAllows.rules(rows)).extracting(r -> r.concern()).containsExactly(Concern.RESTRAINTS);
    }

    private static VehicleFacts settingOf(
            String module, String block, String field, String title, String from, String to) {
        return Cases.healthy(JobKind.CHANGE_SETTING, Packs.lorne(), Cases.LORNE)
                .with(Wishes.of(List.of(Cases.setting(module, block, field, title, from, to))));
    }

    @Test
    void concern_countsByEveryWayOfWriting_aWholeBlockToo() {
        var layout = Packs.lorne().layout("lift-limits");
        String now = "01".repeat(layout.length());
        String then = "0102" + "01".repeat(layout.length() - 2);
        for (JobKind kind : List.of(JobKind.CHANGE_LINE, JobKind.FIND_LOST_SETTING, JobKind.SCALED_VALUE)) {
            VehicleFacts facts = Cases.healthy(kind, Packs.lorne(), Cases.LORNE)
                    .with(Wishes.of(List.of(Cases.setting(
                            "tail-lift", "lift-limits", codrane.core.baseline.PutBack.WHOLE, "Limits", now, then))));
            assertThat(LawAllows.rules(facts))
                    .as(kind.number())
                    .extracting(r -> r.concern())
                    .containsExactly(Concern.LIFTING);
        }
    }

    @Test
    void scaled_pastItsLimit_isRefusedWithTheNearestAndTheRule() {
        Plan plan =
                Planner.plan(settingOf("tail-lift", "lift-limits", "load.most", "Greatest load", "350 kg", "650 kg"));
        assertThat(plan.blocks())
                .singleElement()
                .isEqualTo("Greatest load: 650 kg is more than the 500 kg that are allowed (Island Lifting Order 3)."
                        + " The nearest allowed value is 500 kg.");
    }

    @Test
    void refused_namesTheOneRuleAndTheSetting() {
        VehicleFacts facts = Cases.healthy(JobKind.CHANGE_SETTING, Packs.load("brennick-almery"), Cases.ALMERY)
                .with(Wishes.of(
                        List.of(Cases.setting("engine", "engine-vehicle", "idle.raise", "Idle raised", "yes", "no"))));
        assertThat(reason(Planner.plan(facts), "law-allows"))
                .startsWith("Refused for \"")
                .contains("Island Roads Order part 4")
                .doesNotContain("Keys");
    }

    @Test
    void sheet_olderThanTheLastProgramming_leavesGapsToConfirm() {
        Workplace place = new Workplace(
                Optional.empty(),
                Optional.empty(),
                Optional.of(LocalDate.of(2022, 3, 1)),
                Optional.of(LocalDate.of(2024, 6, 5)),
                0,
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        Operation write =
                operation(Planner.plan(Cases.fits().with(Aids.NONE.with(place))), Kind.WRITE_CODING, "tail-lift");
        assertThat(write.reasons()).anyMatch(r -> r.contains("1 Mar 2022") && r.contains("5 Jun 2024"));
        assertThat(write.holds()).contains(HoldPoint.GAPS_CONFIRMED);
    }
}
