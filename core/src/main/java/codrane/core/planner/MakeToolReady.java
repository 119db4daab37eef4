package codrane.core.planner;

import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import codrane.core.tool.ToolStep;
import java.util.Arrays;
import java.util.List;

/** A new tool: its steps in the order in which they must be done, the answered request last. */
final class MakeToolReady implements Rule {
    private static final int SECONDS_PER_STEP = 300;

    @Override
    public String id() {
        return "make-tool-ready";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.kind() != JobKind.READY_TOOL) return Judgement.notNeeded("This job is about a vehicle.");
        List<Operation> steps =
                Arrays.stream(ToolStep.values()).map(MakeToolReady::step).toList();
        return new Judgement.Applies("Installing has an order; only an answered request proves it.", steps);
    }

    private static Operation step(ToolStep step) {
        String by = step.by() == ToolStep.By.PERSON ? "Say when it is done" : "Codrane finds it by reading";
        return Operation.of(Kind.SET_UP, step.key(), step.title(), SECONDS_PER_STEP, step.why())
                .prompting(List.of(by));
    }
}
