package codrane.app.cli;

import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.Plan;
import codrane.core.planner.PlanQuestions.Question;
import codrane.core.planner.Planner;
import java.io.IOException;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** {@code keys plan FACTS.json [--json]}: what the plan from these facts does to the immobiliser and its keys. */
@Command(name = "plan", description = "What a plan does to the immobiliser and its keys, or the questions before it.")
final class KeysPlanCommand extends Asked {
    private static final Set<Kind> ABOUT_KEYS = EnumSet.of(Kind.PAIR, Kind.ADD_KEY);

    @Parameters(paramLabel = "FACTS.json")
    private String name;

    private record Told(
            String kind,
            String pack,
            String vin,
            boolean blocked,
            List<String> blocks,
            long expectedMs,
            List<PlanCommand.Step> operations,
            Optional<KeysTold> keys) {}

    @Override
    public Integer call() throws IOException {
        FactsReader.Result read = FactsReader.read(PlanCommand.json(InputFile.path(name)));
        if (read.facts().isEmpty()) {
            String text = read.questions().stream().map(Question::text).collect(Collectors.joining("\n"));
            output().result("keys-plan", new PlanCommand.Questions(read.questions()), text);
            return Main.FOUND;
        }
        Plan plan = Planner.plan(read.facts().get());
        List<PlanCommand.Step> steps = PlanCommand.steps(plan).stream()
                .filter(step -> ABOUT_KEYS.stream().anyMatch(kind -> kind.key().equals(step.kind())))
                .toList();
        output().result(
                        "keys-plan",
                        new Told(
                                read.facts().get().kind().number(),
                                read.facts().get().pack().id(),
                                read.facts().get().vin().text(),
                                plan.blocked(),
                                plan.blocks(),
                                steps.stream()
                                        .mapToLong(PlanCommand.Step::expectedMs)
                                        .sum(),
                                steps,
                                KeysTold.of(read.facts().get(), plan)),
                        text(plan));
        return plan.blocked() ? Main.FOUND : Main.GOOD;
    }

    private static String text(Plan plan) {
        if (plan.blocked()) return "Blocked: " + String.join("\nBlocked: ", plan.blocks());
        String steps = plan.operations().stream()
                .filter(o -> ABOUT_KEYS.contains(o.kind()))
                .map(KeysPlanCommand::line)
                .collect(Collectors.joining("\n"));
        return steps.isEmpty() ? "This plan touches neither immobiliser nor keys." : steps;
    }

    private static String line(Operation operation) {
        return operation.title() + ": " + String.join(" ", operation.reasons());
    }
}
