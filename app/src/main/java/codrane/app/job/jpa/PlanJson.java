package codrane.app.job.jpa;

import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Plan;
import java.util.List;
import tools.jackson.databind.ObjectMapper;

/** Plans as JSON text. */
final class PlanJson {
    private static final ObjectMapper JSON = new ObjectMapper();

    private PlanJson() {}

    record Stored(List<Operation> operations, List<StoredDecision> decisions) {}

    /** @param outcome applies, blocked or not-needed */
    record StoredDecision(String rule, String outcome, String reason) {}

    static String write(Plan plan) {
        List<StoredDecision> decisions = plan.decisions().stream()
                .map(d -> new StoredDecision(
                        d.rule(), outcome(d.judgement()), d.judgement().reason()))
                .toList();
        return JSON.writeValueAsString(new Stored(plan.operations(), decisions));
    }

    static Plan read(String json) {
        Stored stored = JSON.readValue(json, Stored.class);
        return new Plan(
                stored.operations(),
                stored.decisions().stream()
                        .map(d -> new Plan.Decision(d.rule(), judgement(d)))
                        .toList());
    }

    private static String outcome(Judgement judgement) {
        return switch (judgement) {
            case Judgement.Applies applies -> "applies";
            case Judgement.Blocked blocked -> "blocked";
            case Judgement.NotNeeded notNeeded -> "not-needed";
        };
    }

    /** The operations stand in the plan itself, in their order. */
    private static Judgement judgement(StoredDecision decision) {
        return switch (decision.outcome()) {
            case "applies" -> new Judgement.Applies(decision.reason(), List.of());
            case "blocked" -> new Judgement.Blocked(decision.reason());
            default -> new Judgement.NotNeeded(decision.reason());
        };
    }
}
