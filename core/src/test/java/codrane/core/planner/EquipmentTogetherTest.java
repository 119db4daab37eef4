package codrane.core.planner;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.Feature;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.Plan;
import codrane.core.plan.SettingChange;
import codrane.core.plan.VehicleFacts;
import codrane.core.plan.Wishes;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Several kinds of equipment wanted in one visit: one plan of all their settings, or why they do not go together. */
class EquipmentTogetherTest {
    private static VehicleFacts wanted(List<String> ids, SettingChange... now) {
        return Cases.k7().with(Wishes.of(ids, List.of(now)));
    }

    @Test
    void two_areOnePlanInWhichEachModuleIsWrittenOnce() {
        Plan plan = Planner.plan(wanted(List.of("counting", "mirrors-dip")));
        assertThat(plan.blocks()).isEmpty();
        assertThat(plan.operations())
                .filteredOn(o -> o.kind() == Kind.WRITE_CODING)
                .extracting(Operation::module)
                .contains("body", "doors")
                .doesNotHaveDuplicates();
        String body = plan.operations().stream()
                .filter(o -> o.kind() == Kind.WRITE_CODING && o.module().equals("body"))
                .findFirst()
                .orElseThrow()
                .reasons()
                .toString();
        assertThat(body).contains("Passenger counting").contains("remembers its place by key");
        assertThat(Cases.reason(plan, "enable-feature"))
                .contains("Passenger counting is several settings that belong together.")
                .contains("They need what comes with them: Mirrors remember their place.");
    }

    @Test
    void two_thatExcludeEachOther_areBlockedWithTheReason() {
        assertThat(Planner.plan(wanted(List.of("counting", "wash"))).blocks())
                .containsExactly("Passenger counting does not go with Wash mode. Decide which of them stays.");
    }

    @Test
    void oneThatIsOnAlready_isSaidAndHoldsUpNothing() {
        Plan plan = Planner.plan(wanted(
                List.of("counting", "mirrors-dip"),
                Cases.setting("body", "body-main", "counting", "Passenger counting", "yes", ""),
                Cases.setting("doors", "doors-main", "counting", "Counts passengers", "yes", "")));
        assertThat(plan.blocks()).isEmpty();
        assertThat(Cases.reason(plan, "is-it-there-already")).startsWith("On already: Passenger counting.");
        assertThat(plan.operations())
                .filteredOn(o -> o.kind() == Kind.WRITE_CODING)
                .extracting(Operation::module)
                .doesNotContain("doors");
    }

    @Test
    void all_thatAreOn_areAFaultToBeFound() {
        VehicleFacts facts = wanted(List.of("counting", "mirrors-dip"));
        List<SettingChange> on = new ArrayList<>();
        facts.pack()
                .equipment()
                .on(facts.askedFeatures())
                .forEach((setting, value) -> on.add(Cases.setting(
                        facts.pack().holder(setting.layout()).orElseThrow().id(),
                        setting.layout(),
                        setting.field(),
                        setting.field(),
                        value,
                        "")));
        assertThat(Planner.plan(facts.with(Wishes.of(List.of("counting", "mirrors-dip"), on)))
                        .blocks())
                .singleElement()
                .asString()
                .startsWith("They are enabled already: ")
                .contains("Passenger counting");
    }

    /** Whichever two of a pack: the plan writes what both need, or says of both why not. */
    @Test
    void anyTwo_ofAPack_arePlannedWholeOrBlocked() {
        VehicleFacts facts = Cases.k7();
        List<Feature> all = facts.pack().equipment().features();
        for (Feature one : all)
            for (Feature two : all) {
                int i = all.indexOf(one);
                int j = all.indexOf(two);
                if (i >= j || (i + 2 * j) % 6 != 0) continue; // a sixth of them, so that it is quick
                List<String> ids = List.of(one.id(), two.id());
                Plan plan = Planner.plan(wanted(ids));
                String text = plan.operations().toString();
                List<Feature> both = facts.pack().equipment().features(ids);
                boolean whole = facts.pack().equipment().on(both).keySet().stream()
                        .allMatch(s -> text.contains(facts.pack()
                                .layout(s.layout())
                                .field(s.field())
                                .orElseThrow()
                                .title()));
                assertThat(plan.blocked() || whole)
                        .as(one.id() + " and " + two.id())
                        .isTrue();
                if (both.stream().anyMatch(f -> f.on().isEmpty()))
                    assertThat(plan.blocked()).isTrue();
            }
    }
}
