package codrane.app.stage.decide;

import static java.util.Objects.requireNonNull;

import codrane.core.job.JobState;
import codrane.core.plan.Operation;
import codrane.core.plan.Policy;
import codrane.core.plan.School;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.CodingSources;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Judgement calls on which a plan depends. */
final class Calls {
    private static final Map<School, String> RULES = Map.of(
            School.PART, "part-must-fit",
            School.SOFTWARE, "program-or-code",
            School.NEIGHBOURS, "neighbours-too",
            School.CODING_SOURCE, "write-vehicle-coding",
            School.CODING_LINK, "wired-or-wireless",
            School.PROGRAMMING_LINK, "wired-or-wireless",
            School.CODING_VOLTAGE, "hold-the-voltage",
            School.PROGRAMMING_VOLTAGE, "hold-the-voltage",
            School.LONG_READ, "support-unit-or-engine");

    private Calls() {}

    /**
     * A judgement call.
     *
     * @param answer what was chosen, in words
     * @param says the rule that rests on it
     * @param answers that can be chosen, by what a form sends
     */
    public record Call(
            String school,
            String question,
            String answer,
            String says,
            boolean overruled,
            String chosen,
            Map<String, String> answers) {}

    static List<Call> of(JobState state, VehicleFacts facts) {
        boolean programs = state.planHas(Operation.Kind.PROGRAM);
        boolean writes = !state.writes().isEmpty();
        List<Call> calls = new ArrayList<>();
        for (School school : School.values()) {
            boolean relevant = switch (school) {
                case PART, SOFTWARE, CODING_SOURCE -> state.job().kind().replaces();
                case NEIGHBOURS -> state.job().kind().namesModule();
                case CODING_LINK, CODING_VOLTAGE -> writes && !programs;
                case PROGRAMMING_LINK, PROGRAMMING_VOLTAGE -> programs;
                case LONG_READ -> !writes;
            };
            if (relevant) calls.add(call(state, facts, school));
        }
        return calls;
    }

    private static Call call(JobState state, VehicleFacts facts, School school) {
        Policy policy = facts.policy();
        String answer = policy.answer(school);
        return new Call(
                school.key(),
                school.question(),
                school.choices().getOrDefault(answer, answer),
                school == School.CODING_SOURCE ? source(state, facts) : said(state, requireNonNull(RULES.get(school))),
                policy.overrule(school).isPresent(),
                answer,
                school.choices());
    }

    /** The source that the plan takes; else why nothing is coded. */
    private static String source(JobState state, VehicleFacts facts) {
        return facts.module()
                .filter(m -> state.planHas(Operation.Kind.WRITE_CODING))
                .flatMap(m -> CodingSources.chosen(facts, m))
                .map(r -> "Source: " + r.source().words() + ". " + r.reason())
                .orElseGet(() -> said(state, requireNonNull(RULES.get(School.CODING_SOURCE))));
    }

    private static String said(JobState state, String rule) {
        return state.plan().orElseThrow().plan().decisions().stream()
                .filter(d -> d.rule().equals(rule))
                .map(d -> d.judgement().reason())
                .findFirst()
                .orElse("");
    }
}
