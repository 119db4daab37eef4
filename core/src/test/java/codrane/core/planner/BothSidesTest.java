package codrane.core.planner;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.Feature;
import codrane.core.pack.Packs;
import codrane.core.plan.JobKind;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.Plan;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** The Gannet's spreader throws as far to the left as to the right, half a metre more or less. */
class BothSidesTest {
    private static final String BLOCK = "spreader-main";

    private static SettingChange left(String to) {
        return Cases.setting("spreader", BLOCK, "throw.left", "Throw to the left, from the middle", "0 m", to);
    }

    private static SettingChange right(String to) {
        return Cases.setting("spreader", BLOCK, "throw.right", "Throw to the right, from the middle", "0 m", to);
    }

    private static Plan plan(Map<Feature.Setting, String> read, SettingChange... settings) {
        VehicleFacts facts = Cases.healthy(JobKind.SCALED_VALUE, Packs.load("ardwyn-gannet"), Cases.GANNET)
                .with(new Wishes(List.of(settings), List.of(), Wishes.OrderChange.NONE, read));
        return Planner.plan(facts);
    }

    private static Map<Feature.Setting, String> read(String field) {
        return Map.of(new Feature.Setting(BLOCK, field), "0 m");
    }

    private static List<String> reasons(Plan plan) {
        return Cases.operation(plan, Kind.WRITE_CODING, "spreader").reasons();
    }

    @Test
    void oneSide_nearEnough_isWrittenAndTheOtherIsSaidToStay() {
        assertThat(reasons(plan(read("throw.right"), left("0.4 m"))))
                .contains("\"Throw to the right, from the middle\" stays 0 m: 0.4 m apart, 0.5 m are allowed.");
    }

    @Test
    void eitherSide_tooFarFromTheOther_isBlocked() {
        assertThat(plan(read("throw.right"), left("0.6 m")).blocks())
                .containsExactly("Throw to the left, from the middle: at 0.6 m it would be 0.6 m from"
                        + " \"Throw to the right, from the middle\", which is 0 m; 0.5 m are allowed."
                        + " Change the other side with it.");
        assertThat(plan(read("throw.left"), right("-0.55 m")).blocks())
                .singleElement()
                .asString()
                .contains("\"Throw to the left, from the middle\", which is 0 m");
    }

    @Test
    void bothSides_changedTogether_arePlannedAndNoneStays() {
        Plan plan = plan(Map.of(), left("0.8 m"), right("0.7 m"));
        assertThat(plan.blocks()).isEmpty();
        assertThat(reasons(plan)).noneMatch(r -> r.contains("stays") || r.contains("not read"));
        assertThat(plan(Map.of(), left("0.8 m"), right("0.2 m")).blocks()).hasSize(1);
    }

    @Test
    void otherSide_thatWasNotRead_isLookedAtFirst() {
        assertThat(reasons(plan(Map.of(), left("0.4 m"))))
                .contains("\"Throw to the right, from the middle\" was not read: look at it first, at most 0.5 m"
                        + " apart are allowed.");
    }

    @Test
    void aPreset_isNamedInThePlan() {
        assertThat(reasons(
                        plan(Map.of(), Cases.setting("spreader", BLOCK, "width", "Spreading width", "6 m", "3.5 m"))))
                .contains("Spreading width: 6 m → 3.5 m (one lane).");
    }
}
