package codrane.core.job;

import codrane.core.baseline.PutBack;
import codrane.core.pack.MarketRules;
import codrane.core.plan.InstructionNote;
import codrane.core.plan.Policy;
import java.util.List;
import java.util.Optional;

/**
 * What people and the workshop said about the plan, and the plan that came of it.
 *
 * @param law of the workshop's market, for today
 * @param putBack settings that a person chose to write: lost ones, and those changed by name
 * @param plan the newest version
 * @param instructions from elsewhere that were taken, with their sources
 * @param compared id of the baseline with which the vehicle is compared; empty when it is the newest
 */
public record Decided(
        DecideNotes notes,
        Policy policy,
        MarketRules law,
        List<PutBack> putBack,
        Optional<PlanVersion> plan,
        List<InstructionNote> instructions,
        Optional<Long> compared)
        implements Part {
    public static final Decided NOTHING =
            new Decided(DecideNotes.NONE, Policy.DEFAULT, MarketRules.NONE, List.of(), Optional.empty());

    public Decided {
        putBack = List.copyOf(putBack);
        instructions = List.copyOf(instructions);
    }

    /** Without an instruction from elsewhere, and compared with the newest. */
    public Decided(
            DecideNotes notes, Policy policy, MarketRules law, List<PutBack> putBack, Optional<PlanVersion> plan) {
        this(notes, policy, law, putBack, plan, List.of(), Optional.empty());
    }
}
