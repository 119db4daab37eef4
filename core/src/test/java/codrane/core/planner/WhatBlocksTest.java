package codrane.core.planner;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.pack.Packs;
import codrane.core.plan.JobKind;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.PartFacts;
import codrane.core.plan.Plan;
import codrane.core.plan.Wishes;
import codrane.core.scan.CodingState;
import codrane.core.scan.ModuleReading.Presence;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A blocked plan hangs on the vehicle, which another scan may show otherwise, or on people. */
class WhatBlocksTest {
    @Test
    void rulesOfPeople_areRulesOfThePlanner() {
        assertThat(Planner.plan(Cases.k8()).decisions())
                .extracting(Plan.Decision::rule)
                .containsAll(WhatBlocks.OF_PEOPLE);
    }

    @Test
    void blockedByWhatWasChosen_hangsOnPeople_bySilenceOnTheVehicle() {
        Plan chosen = Planner.plan(Cases.k8()
                .with(Wishes.of(new Wishes.OrderChange(
                        List.of("MKT1"), List.of(), List.of("NONE"))))); // the pack says nothing of such a code
        assertThat(chosen.blocks()).isNotEmpty();
        assertThat(WhatBlocks.onlyPeople(chosen)).isTrue();
        Plan silent = Planner.plan(Cases.with(
                Cases.healthy(JobKind.UPDATE_SOFTWARE, Packs.lorne(), Cases.LORNE)
                        .with(PartFacts.of("tail-lift")),
                "tail-lift",
                new ModuleAnswer(Presence.SILENT, Optional.empty(), "", CodingState.NOT_READ, List.of())));
        assertThat(silent.blocks()).anyMatch(b -> b.contains("does not answer"));
        assertThat(WhatBlocks.onlyPeople(silent)).isFalse();
    }
}
