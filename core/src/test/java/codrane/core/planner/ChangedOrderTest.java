package codrane.core.planner;

import static codrane.core.planner.Cases.kinds;
import static codrane.core.planner.Cases.operation;
import static codrane.core.planner.Planner.plan;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.plan.HoldPoint;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.Plan;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import codrane.core.scan.CodingState;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** K8: what a changed vehicle order brings with it. */
class ChangedOrderTest {
    @Test
    void k8_foldingRamp_writesTheOrderRecodesNeighboursAndThePartLast() {
        Plan plan = plan(Cases.k8());
        assertThat(plan.operations())
                .filteredOn(o -> o.kind() == Kind.WRITE_ORDER)
                .hasSize(3);
        assertThat(plan.operations())
                .filteredOn(o -> o.kind() == Kind.WRITE_CODING)
                .extracting(Operation::module)
                .containsExactly("doors", "body", "ramp");
        assertThat(operation(plan, Kind.WRITE_CODING, "ramp").prompts())
                .anyMatch(p -> p.contains("the ramp lamp flashes"));
        // from the first order to the last coding written, the vehicle is not left like that
        boolean whole = true;
        for (Operation o : plan.operations()) {
            if (o.kind() == Kind.WRITE_ORDER) whole = false;
            if (o.kind() == Kind.WRITE_CODING && o.module().equals("ramp")) whole = true;
            assertThat(o.ifLeftHere().isEmpty()).as(o.key()).isEqualTo(whole);
        }
        assertThat(kinds(plan))
                .containsSubsequence(Kind.WRITE_ORDER, Kind.DERIVE_CODING, Kind.WRITE_CODING, Kind.INITIALISE);
    }

    @Test
    void k8_onlyModulesWhoseCodingChanges_areCoded_andSideEffectsStandApart() {
        VehicleFacts facts = Cases.k8()
                .with(new Wishes(
                        List.of(Cases.setting("body", "body-main", "market", "Market", "mainland", "")),
                        List.of(),
                        new Wishes.OrderChange(List.of("MKT1", "RMP1", "WSH1", "WCH2"), List.of("WSH1"), List.of())));
        Plan plan = plan(facts);
        assertThat(plan.operations())
                .filteredOn(o -> o.kind() == Kind.WRITE_CODING || o.kind() == Kind.DERIVE_CODING)
                .extracting(Operation::module)
                .containsOnly("body");
        assertThat(operation(plan, Kind.DERIVE_CODING, "body").reasons())
                .containsExactly(
                        "In the body \"Wash mode\" from yes to no.",
                        "Besides, for the body disagreed with the order before: \"Market\" from mainland to island.");
        assertThat(operation(plan, Kind.WRITE_CODING, "body").reasons())
                .containsExactly("Until then the body does not agree with the order.");
    }

    @Test
    void k8_settingOfRestraints_needsTheLead_aSettingBesideThemDoesNot() {
        List<String> now = List.of("MKT1", "RMP1", "WSH1", "WCH2");
        VehicleFacts places = Cases.k8().with(Wishes.of(new Wishes.OrderChange(now, List.of("WCH2"), List.of())));
        assertThat(plan(places).operations())
                .filteredOn(o -> o.kind() == Kind.WRITE_CODING)
                .singleElement()
                .satisfies(o -> assertThat(o.module()).isEqualTo("restraints"))
                .satisfies(o -> assertThat(o.holds()).contains(HoldPoint.LEAD_APPROVED));
        VehicleFacts wash = Cases.k8().with(Wishes.of(new Wishes.OrderChange(now, List.of("WSH1"), List.of())));
        assertThat(plan(wash).operations()).noneMatch(o -> o.holds().contains(HoldPoint.LEAD_APPROVED));
    }

    /** A part that comes in may be coded whole; the vehicle's own module, with coding that is not its own, may not. */
    @ParameterizedTest
    @EnumSource(
            value = CodingState.class,
            names = {"BLANK", "CHECK_WRONG", "FOR_ANOTHER"})
    void k8_neighbourWhoseCodingIsNotGood_isMendedFirst(CodingState state) {
        VehicleFacts facts = Cases.with(Cases.k8(), "doors", Cases.answer(Cases.CHORUS.text(), "1.2", state));
        assertThat(plan(facts).blocks())
                .anyMatch(b -> b.startsWith("What follows from the order can't be put into the doors."));
        assertThat(plan(Cases.k8()).blocks()).isEmpty();
        assertThat(operation(plan(Cases.k8()), Kind.DERIVE_CODING, "ramp").reasons())
                .anyMatch(r -> r.contains("coded whole"));
    }

    @Test
    void k8_neighbourThatWasNotRead_isReadFirst() {
        VehicleFacts facts =
                Cases.with(Cases.k8(), "doors", Cases.answer(Cases.CHORUS.text(), "1.2", CodingState.NOT_READ));
        assertThat(plan(facts).blocks()).isEmpty();
        assertThat(operation(plan(facts), Kind.DERIVE_CODING, "doors").reasons())
                .anyMatch(r -> r.startsWith("What it holds was not read yet"));
        assertThat(operation(plan(Cases.k8()), Kind.DERIVE_CODING, "doors").reasons())
                .noneMatch(r -> r.startsWith("What it holds"));
    }

    @Test
    void k8_orderThatNobodyRead_claimsNoValueThatWasThere() {
        VehicleFacts facts =
                Cases.k8().with(Wishes.of(new Wishes.OrderChange(List.of(), List.of("RMP1"), List.of("RMP2"))));
        assertThat(operation(plan(facts), Kind.DERIVE_CODING, "body").reasons())
                .containsExactly("In the body \"Ramp\" becomes folding.");
    }
}
