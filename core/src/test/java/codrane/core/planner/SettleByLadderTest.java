package codrane.core.planner;

import static codrane.core.planner.Cases.kinds;
import static codrane.core.planner.Cases.plan;
import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.plan.Aids;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.Plan;
import codrane.core.plan.VehicleFacts;
import java.util.EnumSet;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The means that calm a vehicle down, the gentlest first. */
class SettleByLadderTest {
    private static final EnumSet<Aids.Settling> GENTLER =
            EnumSet.of(Aids.Settling.SLEEP, Aids.Settling.RELEARN, Aids.Settling.RESET);

    @Test
    void settled_everythingGentlerTried_takesTheBatteryOffBeforeWhatThatUndoes() {
        VehicleFacts facts = Cases.k7().with(Aids.NONE.withSettled(GENTLER));
        assertThat(kinds(plan(facts))).containsSubsequence(Kind.SLEEP, Kind.BATTERY_OFF, Kind.RELEARN, Kind.CLEAR);
        assertThat(kinds(plan(Cases.k7().with(Aids.NONE.withSettled(EnumSet.of(Aids.Settling.SLEEP))))))
                .doesNotContain(Kind.BATTERY_OFF);
    }

    @Test
    void settled_ladder_isConditionalAndEachRungSaysWhatItLoses() {
        Plan plan = plan(Cases.fits());
        List<Operation> rungs =
                plan.operations().stream().filter(Operation::conditional).toList();
        assertThat(rungs)
                .extracting(Operation::kind)
                .containsExactly(Kind.SLEEP, Kind.RELEARN, Kind.RESET, Kind.BATTERY_OFF);
        assertThat(rungs)
                .extracting(Operation::onlyIf)
                .containsExactly(
                        "a message stays or a new value is not taken up",
                        "a message stays after the sleep, and is about the doors",
                        "a message stays or a new value is not taken up after the relearning",
                        "a message stays or a new value is not taken up after the restart");
        assertThat(rungs)
                .allMatch(o -> o.reasons().stream().anyMatch(r -> r.contains("lost by it") || r.startsWith("Lost")));
    }

    @Test
    void settled_sleepTried_theNextRungFollowsForCertain() {
        Plan plan = plan(Cases.fits().with(Aids.NONE.withSettled(EnumSet.of(Aids.Settling.SLEEP))));
        assertThat(kinds(plan)).contains(Kind.RELEARN).doesNotContain(Kind.SLEEP, Kind.BATTERY_OFF);
    }
}
