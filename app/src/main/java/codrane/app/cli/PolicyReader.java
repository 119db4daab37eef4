package codrane.app.cli;

import codrane.core.plan.Policy;
import codrane.core.plan.School;
import codrane.core.planner.PlanQuestions.Question;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/** How the workshop decides, in the facts of a plan. */
final class PolicyReader extends AskedJson {
    PolicyReader(JsonNode in, List<Question> questions) {
        super(in, questions);
    }

    Policy policy() {
        Map<School, String> answers = new EnumMap<>(School.class);
        JsonNode policy = object(
                "policy",
                Set.copyOf(Arrays.stream(School.values()).map(School::key).toList()));
        for (School school : School.values())
            choice(policy, school.key(), "policy." + school.key(), school.answers())
                    .ifPresent(answer -> answers.put(school, answer));
        if (policy.has(School.PART.key())
                && !answers.getOrDefault(School.PART, School.PART.byDefault()).equals(School.PART.byDefault()))
            ask(
                    "agreement-of-one-job",
                    "policy." + School.PART.key(),
                    "The parts desk agrees to one number in one job, never to all: for which part is it, as an overrule?");
        List<Policy.Overrule> overrules = new ArrayList<>();
        for (JsonNode overrule : in.path("overrules")) overrule(overrule).ifPresent(overrules::add);
        return new Policy(answers, overrules);
    }

    private Optional<Policy.Overrule> overrule(JsonNode in) {
        Optional<School> school = School.of(in.path("school").asString(""));
        if (school.isEmpty()) {
            notOne(
                    "overrules",
                    in.path("school").asString(""),
                    Arrays.stream(School.values()).map(School::key).toList());
            return Optional.empty();
        }
        Optional<String> answer = choice(in, "answer", "overrules", school.get().answers());
        String reason = in.path("reason").asString("");
        if (reason.isBlank())
            ask("why-overruled", "overrules", "Why is \"" + school.get().question() + "\" overruled?");
        if (answer.isEmpty() || reason.isBlank()) return Optional.empty();
        return Optional.of(new Policy.Overrule(
                school.get(),
                answer.get(),
                reason.strip(),
                in.path("by").asString(""),
                in.path("about").asString("")));
    }
}
