package codrane.core.planner;

import static codrane.core.planner.Cases.kinds;
import static codrane.core.planner.Cases.operation;
import static codrane.core.planner.Cases.overruled;
import static codrane.core.planner.Cases.reason;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import codrane.core.pack.CodingSource;
import codrane.core.pack.MarketRules;
import codrane.core.pack.Pack;
import codrane.core.pack.Packs;
import codrane.core.plan.Aids;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PartFacts;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Plan;
import codrane.core.plan.Policy;
import codrane.core.plan.School;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import codrane.core.scan.CodingState;
import codrane.core.scan.ModuleReading.Presence;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where practitioners differ, what law says, and what a person overrules. */
class JudgementCallsTest {
    @Test
    void written_silentModule_isBlockedThoughItsSettingsWereChosen() {
        assertThat(reason(
                        Planner.plan(Cases.with(Cases.k19(JobKind.CHANGE_SETTING), "spreader", ModuleAnswer.SILENT)),
                        "written-must-answer"))
                .isEqualTo("Spreader does not answer: nothing can be written to it."
                        + " Check that it is supplied, then scan again.");
        assertThat(Planner.plan(Cases.with(Cases.k19(JobKind.CHANGE_SETTING), "spreader", ModuleAnswer.SILENT))
                        .blocked())
                .isTrue();
    }

    @Test
    void written_bootSoftwareAlone_takesNoCoding() {
        Plan plan = Planner.plan(Cases.with(Cases.k19(JobKind.CHANGE_SETTING), "spreader", Cases.bootOnly()));
        assertThat(plan.blocks()).singleElement().asString().contains("takes nothing else until it is programmed");
    }

    @Test
    void pair_withoutTheKeeperOfTheSecret_isBlocked() {
        VehicleFacts facts = Cases.with(
                Cases.with(
                        Cases.healthy(JobKind.REPLACE_IMMOBILISER, Packs.lorne(), Cases.LORNE)
                                .with(Cases.part("engine", PartOrigin.NEW, PartFacts.Old.GONE))
                                .with(Aids.NONE.with(new Aids.Keys(2, 2))),
                        "engine",
                        Cases.answer("", "2.00", CodingState.BLANK)),
                "key-reader",
                ModuleAnswer.SILENT);
        assertThat(reason(Planner.plan(facts), "pair-immobiliser")).contains("nothing can be paired with it");
    }

    private static VehicleFacts oldBrakes(VehicleFacts facts) {
        return Cases.with(facts, "body", Cases.answer(facts.vin().text(), "3.20", CodingState.AGREES));
    }

    @Test
    void neighbours_leaveAlone_namesThemAndTouchesNone() {
        Plan plan = Planner.plan(oldBrakes(Cases.k9()));
        assertThat(reason(plan, "neighbours-too")).startsWith("Older software in Body is left alone");
        assertThat(plan.writes()).noneMatch(o -> o.module().equals("body"));
    }

    @Test
    void neighbours_levelSet_bringsThemUpInTheSameJob() {
        Policy level = new Policy(Map.of(School.NEIGHBOURS, "level-set"), List.of());
        Plan plan = Planner.plan(oldBrakes(Cases.k9()).with(level));
        assertThat(operation(plan, Kind.PROGRAM, "body").reasons()).anyMatch(r -> r.contains("Workshop policy"));
    }

    @Test
    void neighbours_levelSetOverruledForThisJob_leavesThemAlone() {
        Policy level = new Policy(
                Map.of(School.NEIGHBOURS, "level-set"),
                List.of(new Policy.Overrule(School.NEIGHBOURS, "leave-alone", "the customer waits", "")));
        Plan plan = Planner.plan(oldBrakes(Cases.k9()).with(level));
        assertThat(plan.writes()).noneMatch(o -> o.module().equals("body"));
    }

    @Test
    void neighbours_levelSetWithoutProgramming_doesNotStartWithIt() {
        Policy level = new Policy(Map.of(School.NEIGHBOURS, "level-set"), List.of());
        assertThat(kinds(Planner.plan(oldBrakes(Cases.fits()).with(level)))).doesNotContain(Kind.PROGRAM);
    }

    @Test
    void requiredUpdates_areInThePlanUnderEitherSchool() {
        // the pack can't program the gearbox: so the job is not begun, rather than left half done
        VehicleFacts facts =
                Cases.with(Cases.k3(), "gearbox", Cases.answer(Cases.ALMERY.text(), "2.01", CodingState.AGREES));
        Plan plan = Planner.plan(facts);
        assertThat(plan.blocks())
                .singleElement()
                .asString()
                .startsWith("Engine 4.14 requires Gearbox 2.05; it has 2.01.");
        assertThat(plan.writes()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "BK-67220-B3, Same part number",
        "BK-67220-B2, accepts suffix B2",
        "BK-67220-D4, Ask the parts desk",
        "BK-46002-B3, It is not written to"
    })
    void part_number_decides(String offered, String says) {
        VehicleFacts facts = Cases.k9().with(Cases.k9().part().withNumbers("BK-67220-B3", offered));
        assertThat(reason(Planner.plan(facts), "part-must-fit")).contains(says);
    }

    @Test
    void part_cleanableAndForeign_goesToASpecialistFirst() {
        VehicleFacts facts = Cases.with(
                Cases.healthy(JobKind.REPLACE_IMMOBILISER, Packs.lorne(), Cases.LORNE)
                        .with(Cases.part("key-reader", PartOrigin.SECOND_HAND, PartFacts.Old.SILENT)
                                .withNumbers("", "BK-48120-B3"))
                        .with(Aids.NONE.with(new Aids.Keys(2, 2))),
                "key-reader",
                Cases.answer(Cases.DONOR, "1.10", CodingState.FOR_ANOTHER));
        assertThat(Planner.plan(facts).blocks()).singleElement().asString().contains("specialist");
        VehicleFacts cleaned = Cases.with(facts, "key-reader", Cases.answer("", "1.10", CodingState.BLANK))
                .with(facts.part().with(PartOrigin.CLEANED));
        assertThat(Planner.plan(cleaned).blocks()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "restraints, SECOND_HAND, true, bound to the first VIN",
        "restraints, NEW, false, the first one stays for good",
        "key-reader, SECOND_HAND, true, until a specialist cleans it",
        "key-reader, CLEANED, false, a new or cleaned part holds none",
        "tail-lift, SECOND_HAND, false, can be written anew"
    })
    void part_whoseVinWasNotRead_isNotSaidToHoldNone(String module, PartOrigin origin, boolean blocked, String says) {
        VehicleFacts facts = Cases.with(
                Cases.healthy(JobKind.REPLACE_MODULE, Packs.lorne(), Cases.LORNE)
                        .with(Cases.part(module, origin, PartFacts.Old.GONE))
                        .with(Aids.NONE.with(new Aids.Keys(2, 2))),
                module,
                new ModuleAnswer(Presence.BOOT_ONLY, Optional.empty(), "", CodingState.NOT_READ, List.of()));
        Plan plan = Planner.plan(facts);
        assertThat(Cases.judgement(plan, "part-must-be-free") instanceof Judgement.Blocked)
                .isEqualTo(blocked);
        assertThat(reason(plan, "part-must-be-free")).contains(says);
        assertThat(reason(plan, "write-vehicle-vin"))
                .isEqualTo("Its VIN could not be read: it is written, and read back.");
    }

    @Test
    void part_boundAndNew_isLookedAtOnceMoreBeforeItsFirstVin() {
        VehicleFacts facts = Cases.with(
                Cases.healthy(JobKind.REPLACE_BY_NEW, Packs.lorne(), Cases.LORNE)
                        .with(Cases.part("restraints", PartOrigin.NEW, PartFacts.Old.GONE)
                                .withNumbers("", "BK-45018-B3")),
                "restraints",
                Cases.answer("", "5.00", CodingState.BLANK));
        assertThat(operation(Planner.plan(facts), Kind.WRITE_VIN, "restraints").holds())
                .contains(HoldPoint.NO_WAY_BACK, HoldPoint.LEAD_APPROVED);
    }

    @Test
    void source_ranksTheSurestFirstAndSaysWhatIsMissing() {
        VehicleFacts facts = Cases.k14();
        List<CodingSources.Ranked> ranked =
                CodingSources.rank(facts, facts.module().orElseThrow());
        assertThat(ranked).extracting(CodingSources.Ranked::source).containsExactly(CodingSource.values());
        assertThat(ranked.get(0).state()).isEqualTo(CodingSources.State.TO_GET);
        assertThat(ranked.get(0).missing()).contains("before it is removed");
        assertThat(ranked.get(2).state()).isEqualTo(CodingSources.State.NOT_THERE);
    }

    @Test
    void source_overruled_isTakenIfItCanBe() {
        assertThat(operation(
                                Planner.plan(overruled(Cases.k14Read(), School.CODING_SOURCE, "line-sheet")),
                                Kind.WRITE_CODING,
                                "front-radar")
                        .holds())
                .contains(HoldPoint.SHEET_CHECKED);
        assertThat(operation(
                                Planner.plan(overruled(Cases.k14Read(), School.CODING_SOURCE, "vehicle-order")),
                                Kind.WRITE_CODING,
                                "front-radar")
                        .reasons())
                .anyMatch(r -> r.startsWith("Chosen was") && r.contains("not possible"))
                .anyMatch(r -> r.startsWith("Source: what was read from the old module"));
    }

    @Test
    void source_atHand_isSaidToBe() {
        VehicleFacts facts = Cases.k14().with(Aids.NONE.withSources(Set.of(CodingSource.OLD_MODULE)));
        assertThat(CodingSources.rank(facts, facts.module().orElseThrow())
                        .getFirst()
                        .state())
                .isEqualTo(CodingSources.State.AT_HAND);
    }

    @Test
    void voltage_demandingModule_needsTheHigherWindow() {
        assertThat(reason(Planner.plan(Cases.k15()), "hold-the-voltage")).contains("13.7 V to start");
        assertThat(reason(Planner.plan(Cases.k9()), "hold-the-voltage")).contains("13.3 V to start");
        assertThat(reason(Planner.plan(Cases.fits()), "hold-the-voltage")).contains("12.9 V to start");
    }

    @Test
    void voltage_heldForCodingByPolicy_isTheHigherOne() {
        Policy held = new Policy(Map.of(School.CODING_VOLTAGE, "held"), List.of());
        assertThat(reason(Planner.plan(Cases.fits().with(held)), "hold-the-voltage"))
                .contains("13.3 V to start");
    }

    @Test
    void link_moduleThatInsists_isWiredWhateverThePolicy() {
        Policy wireless =
                new Policy(Map.of(School.CODING_LINK, "wireless", School.PROGRAMMING_LINK, "wireless"), List.of());
        assertThat(reason(Planner.plan(Cases.fits().with(wireless)), "wired-or-wireless"))
                .startsWith("By cable: Tail lift");
        assertThat(reason(Planner.plan(Cases.k19(JobKind.CHANGE_SETTING).with(wireless)), "wired-or-wireless"))
                .startsWith("Wireless is allowed");
    }

    @Test
    void longRead_engineRunning_isForReadingOnly() {
        Policy running = new Policy(Map.of(School.LONG_READ, "engine-running"), List.of());
        VehicleFacts read = Cases.healthy(JobKind.BASELINE_ONLY, Packs.lorne(), Cases.LORNE);
        assertThat(reason(Planner.plan(read.with(running)), "support-unit-or-engine"))
                .contains("only outdoors");
        assertThat(reason(Planner.plan(Cases.k9().with(running)), "support-unit-or-engine"))
                .contains("engine off");
    }

    @Test
    void law_settingOfAnEmissionsModule_isRefusedWithItsSource() {
        VehicleFacts facts = Cases.healthy(JobKind.CHANGE_SETTING, Packs.load("brennick-almery"), Cases.ALMERY)
                .with(Wishes.of(
                        List.of(Cases.setting("engine", "engine-vehicle", "idle.raise", "Idle raised", "yes", "no"))));
        Plan plan = Planner.plan(facts);
        assertThat(plan.blocks())
                .singleElement()
                .asString()
                .contains("Refused", "Island Roads Order part 4", "1 Jan 2019");
        assertThat(plan.writes()).isEmpty();
    }

    @Test
    void law_ruleOfTheDay_counts() {
        MarketRules rules = Cases.island();
        assertThat(rules.on(LocalDate.of(2024, 3, 1))
                        .about(codrane.core.pack.Concern.IMMOBILISER)
                        .orElseThrow()
                        .says())
                .isEqualTo(MarketRules.Says.NOTE);
        assertThat(rules.on(LocalDate.of(2026, 3, 1))
                        .about(codrane.core.pack.Concern.IMMOBILISER)
                        .orElseThrow()
                        .says())
                .isEqualTo(MarketRules.Says.APPROVAL);
        VehicleFacts then = Cases.k11().with(rules.on(LocalDate.of(2024, 3, 1)));
        assertThat(operation(Planner.plan(then), Kind.PAIR, "gearbox").holds()).doesNotContain(HoldPoint.LEAD_APPROVED);
    }

    @Test
    void law_noRulesAtHand_isSaid() {
        assertThat(reason(Planner.plan(Cases.k9().with(MarketRules.NONE)), "law-allows"))
                .contains("ask what local law says");
    }

    @Test
    void law_badFile_isNamedWithItsLine() {
        MarketRules.Result result = MarketRules.load(
                "x.yaml",
                "market: M\nchecked: 2026-01-01\nrules:\n  - { concern: noise, says: free, from: soon, source: s, sentence: t }\n");
        assertThat(((MarketRules.Result.Invalid) result).problems())
                .hasSize(2)
                .allSatisfy(p -> assertThat(p.line()).isEqualTo(4));
        assertThat(MarketRules.load("x.yaml", "")).isInstanceOf(MarketRules.Result.Invalid.class);
    }

    @Test
    void policy_unknownAnswerOrNoReason_isRefused() {
        assertThatThrownBy(() -> new Policy(Map.of(School.NEIGHBOURS, "perhaps"), List.of()))
                .hasMessageContaining("expected one of");
        assertThatThrownBy(() -> new Policy.Overrule(School.NEIGHBOURS, "level-set", " ", ""))
                .hasMessageContaining("needs a reason");
    }

    @Test
    void programOrCode_byPolicy_countsLikeAnOverrule() {
        Policy always = new Policy(Map.of(School.SOFTWARE, "program"), List.of());
        assertThat(operation(Planner.plan(Cases.fits().with(always)), Kind.PROGRAM, "tail-lift")
                        .reasons())
                .contains("Workshop policy.");
    }

    @Test
    void part_notMountedYet_isMountedAsTheLastAct_andProvedASecondTimeByTheNextPlan() {
        VehicleFacts loose = Cases.fits().with(Cases.fits().part().with(PartFacts.State.CONNECTED));
        Plan plan = Planner.plan(loose);
        assertThat(kinds(plan)).endsWith(Kind.PROVE, Kind.AS_LEFT, Kind.SWAP).doesNotContain(Kind.FUNCTION_TEST);
        assertThat(operation(plan, Kind.SWAP, "tail-lift").title()).isEqualTo("Mount the tail lift");
        assertThat(kinds(Planner.plan(Cases.fits())))
                .contains(Kind.FUNCTION_TEST)
                .doesNotContain(Kind.SWAP);
    }

    @Test
    void eraseInPlace_whoseCodingWasNotRead_isBlocked() {
        VehicleFacts unread =
                Cases.with(Cases.k2(), "body", Cases.answer(Cases.LORNE_BUS.text(), "3.31", CodingState.NOT_READ));
        assertThat(Planner.plan(unread).blocks()).singleElement().asString().contains("an erase may lose it");
        VehicleFacts boot = Cases.with(Cases.k3().with(PartFacts.of("engine")), "engine", Cases.bootOnly());
        Plan plan = Planner.plan(boot);
        assertThat(kinds(plan)).contains(Kind.PROGRAM);
        assertThat(operation(plan, Kind.WRITE_CODING, "engine").holds())
                .as("boot software tells nothing that could go back: the next source is taken")
                .contains(HoldPoint.SHEET_CHECKED);
    }

    @Test
    void part_madeForOtherYears_goesToThePartsDeskFirst() {
        Pack later = Packs.changed("brennick-lorne", ", years: [2018, 2026]", ", years: [2023, 2026]");
        VehicleFacts facts = Cases.with(
                Cases.healthy(JobKind.REPLACE_MODULE, later, Cases.LORNE)
                        .with(Cases.k9().part()),
                "tail-lift",
                Cases.answer(Cases.DONOR, "3.12", CodingState.FOR_ANOTHER));
        assertThat(Planner.plan(facts).blocks())
                .singleElement()
                .asString()
                .contains("The vehicle is of 2021", "it does not fit");
        assertThat(Planner.plan(overruled(facts, School.PART, "parts-desk-agreed"))
                        .blocks())
                .as("an agreement about a number says nothing about the year")
                .hasSize(1);
    }
}
