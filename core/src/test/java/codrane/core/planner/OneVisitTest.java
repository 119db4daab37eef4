package codrane.core.planner;

import static codrane.core.planner.Cases.kinds;
import static codrane.core.planner.Cases.operation;
import static codrane.core.planner.Cases.setting;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.Packs;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PartFacts;
import codrane.core.plan.PartOrigin;
import codrane.core.plan.Plan;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import codrane.core.scan.CodingState;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Several wishes of one visit: one scan, one baseline, one proof. */
class OneVisitTest {
    private static final SettingChange LAMP =
            setting("body", "body-lamps", "lamp.step.hold", "Step lamp stays on", "5 s", "10 s");

    /** The doors of the Chorus from a donor, and passenger counting, which needs doors and body. */
    private static VehicleFacts doorsAndCounting() {
        VehicleFacts facts = Cases.healthy(JobKind.REPLACE_MODULE, Packs.load("tolvane-chorus"), Cases.CHORUS)
                .with(Cases.part("doors", PartOrigin.SECOND_HAND, PartFacts.Old.GONE))
                .with(Cases.k7().wishes());
        String current = facts.pack().module("doors").software().current();
        return Cases.with(facts, "doors", Cases.answer("0TVCH5E10SN000301", current, CodingState.FOR_ANOTHER));
    }

    private static VehicleFacts liftAndLamp(SettingChange wish) {
        VehicleFacts facts = Cases.healthy(JobKind.REPLACE_MODULE, Packs.load("brennick-almery"), Cases.ALMERY)
                .with(Cases.part("tail-lift", PartOrigin.SECOND_HAND, PartFacts.Old.GONE))
                .with(Wishes.of(List.of(wish)));
        String current = facts.pack().module("tail-lift").software().current();
        return Cases.with(facts, "tail-lift", Cases.answer("0BKAM7D22RN001888", current, CodingState.FOR_ANOTHER));
    }

    private static List<String> certain(Plan plan) {
        return plan.operations().stream()
                .filter(o -> !o.conditional())
                .map(Operation::key)
                .toList();
    }

    @Test
    void partAndEquipment_haveOneScanOneBaselineOneProof() {
        Plan plan = Planner.plan(doorsAndCounting());
        assertThat(plan.blocks()).isEmpty();
        assertThat(kinds(plan))
                .containsOnlyOnce(Kind.SCAN, Kind.BASELINE, Kind.PROVE, Kind.FUNCTION_TEST, Kind.AS_LEFT);
        assertThat(plan.operations()).extracting(Operation::key).contains("write-coding-body", "write-coding-doors");
        assertThat(operation(plan, Kind.WRITE_CODING, "doors").reasons())
                .anyMatch(r -> r.startsWith("Source: "))
                .anyMatch(r -> r.contains("Counts passengers: no → yes"));
        assertThat(operation(plan, Kind.FUNCTION_TEST, "doors").title())
                .isEqualTo("Try the doors in all they do and \"Passenger counting\"");
    }

    @Test
    void partAndSetting_addOnlyTheSettingsOwnActs() {
        Plan with = Planner.plan(liftAndLamp(LAMP));
        Plan alone = Planner.plan(liftAndLamp(LAMP).with(Wishes.NONE));
        List<String> more = new ArrayList<>(certain(with));
        certain(alone).forEach(more::remove);
        assertThat(more).containsExactly("write-coding-body", "reset-body", "sleep", "relearn-body");
        assertThat(operation(with, Kind.WRITE_CODING, "body").reasons()).contains("Step lamp stays on: 5 s → 10 s.");
    }

    @Test
    void wishThatIsThereAlready_isNotWritten_andHoldsNothingUp() {
        Plan plan = Planner.plan(
                liftAndLamp(setting("body", "body-lamps", "lamp.step.hold", "Step lamp stays on", "10 s", "10 s")));
        assertThat(plan.blocks()).isEmpty();
        assertThat(plan.operations()).extracting(Operation::key).doesNotContain("write-coding-body");
        assertThat(Cases.reason(plan, "change-settings")).contains("there already");
    }

    @Test
    void wishThatCannotBe_isSaid_andNothingIsBegun() {
        Plan plan = Planner.plan(liftAndLamp(new SettingChange(
                "body",
                "body-lamps",
                "lamp.step.hold",
                "Step lamp stays on",
                "5 s",
                "10 s",
                Optional.of("Step lamp: scan again."))));
        assertThat(plan.blocks()).containsExactly("Step lamp: scan again.");
        assertThat(plan.writes()).isEmpty();
    }

    @Test
    void wish_waitsUntilTheNewPartIsIn() {
        VehicleFacts facts =
                liftAndLamp(LAMP).with(Cases.part("tail-lift", PartOrigin.SECOND_HAND, PartFacts.Old.SPEAKS));
        Plan plan = Planner.plan(facts);
        assertThat(plan.writes()).isEmpty();
        assertThat(plan.operations().getLast().kind()).isEqualTo(Kind.SWAP);
    }

    @ParameterizedTest
    @EnumSource(
            value = JobKind.class,
            names = {"BASELINE_ONLY", "CLEAR_FAULTS"})
    void wishBesideAKindThatOnlyLooks_isAsked(JobKind kind) {
        VehicleFacts facts =
                Cases.healthy(kind, Packs.load("brennick-almery"), Cases.ALMERY).with(Wishes.of(List.of(LAMP)));
        assertThat(PlanQuestions.of(facts))
                .extracting(PlanQuestions.Question::id)
                .containsExactly("look-or-write");
        assertThat(Planner.plan(facts).operations()).noneMatch(o -> o.kind() == Kind.WRITE_CODING);
    }

    @Test
    void orderBesideAnotherKind_isAsked() {
        VehicleFacts facts = Cases.k7()
                .with(Cases.k8().wishes())
                .with(new Wishes(
                        Cases.k7().wishes().settings(),
                        List.of("counting"),
                        Cases.k8().wishes().order()));
        assertThat(PlanQuestions.of(facts))
                .extracting(PlanQuestions.Question::id)
                .containsExactly("order-beside");
    }

    @Test
    void settingThatTheEquipmentChanges_isNotChangedTwice() {
        Wishes counting = Cases.k7().wishes();
        VehicleFacts facts = Cases.k7()
                .with(Wishes.of(
                        List.of("counting"),
                        List.of(
                                counting.settings().get(0),
                                counting.settings().get(1),
                                counting.settings().get(2),
                                setting("body", "body-main", "counting", "Passenger counting", "no", "no"))));
        assertThat(PlanQuestions.of(facts))
                .extracting(PlanQuestions.Question::id)
                .containsExactly("setting-twice");
    }

    @Test
    void settingThatComesWithTheEquipment_isThatOnce() {
        List<SettingChange> settings = new ArrayList<>();
        for (SettingChange now : Cases.k7().wishes().settings())
            settings.add(setting(
                    now.module(),
                    now.block(),
                    now.field(),
                    now.title(),
                    now.from(),
                    now.field().equals("wash") ? "" : "yes"));
        VehicleFacts facts = Cases.k7().with(Wishes.of(List.of("counting"), settings));
        assertThat(PlanQuestions.of(facts)).isEmpty();
        assertThat(Planner.plan(facts).operations())
                .isEqualTo(Planner.plan(Cases.k7()).operations());
    }

    @Test
    void wishInRestraints_isLookedAt_andThePartIsTriedAllTheSame() {
        SettingChange seat = setting("restraints", "restraints-main", "seat", "Seat weight", "a", "b");
        Plan plan = Planner.plan(liftAndLamp(seat));
        assertThat(operation(plan, Kind.FUNCTION_TEST, "tail-lift").title())
                .startsWith("Try the tail lift in all it does; then look at the restraints lamp");
    }

    @Test
    void wishBesideAPairing_isTriedAfterTheKeys() {
        Plan plan = Planner.plan(Cases.k11()
                .with(Wishes.of(List.of(
                        setting("climate", "climate-main", "rear.unit", "Rear heating unit", "fitted", "none")))));
        assertThat(operation(plan, Kind.FUNCTION_TEST, "gearbox").title())
                .isEqualTo("Start the engine with every key; then try \"Rear heating unit\"");
    }

    @Test
    void settingOfTheBrakesBesideAPart_isLookedAtByTheBrakesLamp() {
        VehicleFacts facts = Cases.fits()
                .with(Wishes.of(
                        List.of(setting("brakes", "brakes-vehicle", "load.table", "Brake force table", "van", "bus"))));
        assertThat(operation(Planner.plan(facts), Kind.FUNCTION_TEST, "tail-lift")
                        .title())
                .contains("tail lift")
                .contains("look at the lamp of the brakes");
    }

    @Test
    void equipmentThatIsThereAlready_isNotWritten() {
        List<SettingChange> there = List.of(
                setting("body", "body-main", "counting", "Passenger counting", "yes", ""),
                setting("doors", "doors-main", "counting", "Counts passengers", "yes", ""),
                setting("body", "body-main", "wash", "Wash mode", "no", ""));
        Plan plan = Planner.plan(doorsAndCounting().with(Wishes.of(List.of("counting"), there)));
        assertThat(plan.blocks()).isEmpty();
        assertThat(plan.operations()).extracting(Operation::key).doesNotContain("write-coding-body");
        assertThat(Cases.reason(plan, "enable-feature")).isEqualTo("Passenger counting is enabled already.");
        assertThat(operation(plan, Kind.FUNCTION_TEST, "doors").title()).isEqualTo("Try the doors in all they do");
    }
}
