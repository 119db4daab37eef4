package codrane.core.planner;

import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import codrane.core.tool.ToolStep;
import java.util.ArrayList;
import java.util.List;

/** A new tool: its steps in the order in which they must be done, the answered request last. */
final class MakeToolReady implements Rule {
    private static final int SECONDS_PER_STEP = 180;
    private static final int SECONDS_TO_REGISTER = 3600;

    @Override
    public String id() {
        return "make-tool-ready";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.kind() != JobKind.READY_TOOL) return Judgement.notNeeded("This job is about a vehicle.");
        List<Operation> steps = new ArrayList<>();
        steps.add(Operation.of(
                        Kind.SET_UP,
                        ToolStep.REGISTER.key(),
                        "Ask for its registration at the authorities",
                        SECONDS_TO_REGISTER,
                        "It takes longest: their checks take minutes to hours, and the rest goes on meanwhile.")
                .prompting(
                        List.of("With the number from its label; Codrane compares it with what the interface tells")));
        for (ToolStep step : ToolStep.values()) if (step != ToolStep.REGISTER) steps.add(step(step));
        return new Judgement.Applies("What takes longest is begun first; only an answered request proves it.", steps);
    }

    private static Operation step(ToolStep step) {
        return Operation.of(Kind.SET_UP, step.key(), step.title(), SECONDS_PER_STEP, step.why());
    }
}
