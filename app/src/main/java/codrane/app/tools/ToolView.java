package codrane.app.tools;

import codrane.core.tool.ToolSetup;
import codrane.core.tool.ToolStep;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * One interface as it is shown.
 *
 * @param licence until when it runs, as a date; empty when nobody noted it
 * @param setup of a new one that is made ready; empty when none is
 * @param may whether the one who looks may note anything
 */
public record ToolView(
        String name, String serial, String licence, List<CheckView> checks, Optional<Setup> setup, boolean may) {
    /**
     * How far it is, and the next step.
     *
     * @param act what is pressed: step, register or look; empty when nothing is
     * @param step key of the step that is done
     */
    public record Setup(String css, String title, String why, String note, String act, String step, List<Step> steps) {
        static Setup of(ToolSetup setup) {
            List<Step> steps = setup.steps().stream().map(Setup::step).toList();
            return setup.next()
                    .map(next -> new Setup(
                            "do",
                            "Next: " + next.step().title(),
                            next.step().why() + " " + next.found(),
                            next.step() == ToolStep.FIRST_ANSWER ? "Take a vehicle to its stage Bench and ask it." : "",
                            act(next.step()),
                            next.step().key(),
                            steps))
                    .orElse(new Setup("settled", "Ready: every step was done in its order", "", "", "", "", steps));
        }

        private static String act(ToolStep step) {
            if (step == ToolStep.REGISTER) return "register";
            return step.by() == ToolStep.By.PERSON ? "step" : "look";
        }

        private static Step step(ToolSetup.Line line) {
            String state = line.state().name().toLowerCase(Locale.ROOT);
            return new Step(state, line.step().title(), state, line.found());
        }
    }

    public record Step(String css, String title, String state, String found) {}
}
