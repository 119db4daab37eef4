package codrane.core.tool;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * How far a new interface is. A step counts only when all before it are done: what was installed in another order is not
 * believed.
 *
 * @param steps in their order, each with its state
 */
public record ToolSetup(List<Line> steps) {
    /** State of a step. */
    public enum State {
        DONE,
        NOW,
        LATER
    }

    /** @param found what was found, as a sentence; empty when there is nothing to say */
    public record Line(ToolStep step, State state, String found) {}

    public ToolSetup {
        steps = List.copyOf(steps);
    }

    /**
     * @param done steps that a person did or a reading shows
     * @param found what was found, by step
     */
    public static ToolSetup of(Set<ToolStep> done, Map<ToolStep, String> found) {
        List<Line> lines = new ArrayList<>();
        boolean open = false;
        for (ToolStep step : EnumSet.allOf(ToolStep.class)) {
            boolean here = done.contains(step);
            State state = open ? State.LATER : here ? State.DONE : State.NOW;
            open |= !here;
            lines.add(new Line(step, state, found.getOrDefault(step, "")));
        }
        return new ToolSetup(lines);
    }

    /** The step to do next; empty when the interface is ready. */
    public Optional<Line> next() {
        return steps.stream().filter(l -> l.state() == State.NOW).findFirst();
    }

    /**
     * Whether a person may say that a step is done.
     *
     * @return why not, as a sentence
     */
    public Optional<String> refusal(ToolStep step) {
        if (step.by() != ToolStep.By.PERSON) return Optional.of("This is found by reading, not by a click.");
        if (next().map(l -> l.step() == step).orElse(false)) return Optional.empty();
        return Optional.of(next().map(l -> "First: " + l.step().title() + ".").orElse("Everything is done already."));
    }
}
