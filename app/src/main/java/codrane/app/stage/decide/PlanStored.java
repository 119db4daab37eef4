package codrane.app.stage.decide;

import codrane.core.plan.HoldPoint;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Plan;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.ObjectMapper;

/** A plan as it is stored. */
record PlanStored(List<Step> operations, List<Decision> decisions) {
    static final int FORM = 1;

    private static final ObjectMapper JSON = new ObjectMapper();

    /** @param cautions null, like what is left and conditions, in plans from before there were any */
    record Step(
            String kind,
            String module,
            String title,
            List<String> reasons,
            List<String> needs,
            List<String> holds,
            boolean safeToStopDuring,
            int seconds,
            List<String> prompts,
            @Nullable List<String> cautions,
            @Nullable String ifLeftHere,
            @Nullable String onlyIf) {}

    enum Outcome {
        @JsonProperty("applies")
        APPLIES,
        @JsonProperty("blocked")
        BLOCKED,
        @JsonProperty("not-needed")
        NOT_NEEDED
    }

    record Decision(String rule, Outcome outcome, String reason) {}

    static String write(Plan plan) {
        return JSON.writeValueAsString(new PlanStored(
                plan.operations().stream().map(PlanStored::step).toList(),
                plan.decisions().stream()
                        .map(d -> new Decision(
                                d.rule(), outcome(d.judgement()), d.judgement().reason()))
                        .toList()));
    }

    /** @param form in which it was stored */
    static Plan read(int form, String json) {
        if (form != FORM) throw new IllegalStateException("a plan of form " + form + " is too new");
        PlanStored stored = JSON.readValue(json, PlanStored.class);
        return new Plan(
                stored.operations().stream().map(PlanStored::operation).toList(),
                stored.decisions().stream()
                        .map(d -> new Plan.Decision(d.rule(), judgement(d)))
                        .toList());
    }

    private static Step step(Operation o) {
        return new Step(
                o.kind().name(),
                o.module(),
                o.title(),
                o.reasons(),
                o.needs(),
                o.holds().stream().map(HoldPoint::name).toList(),
                o.safeToStopDuring(),
                o.seconds(),
                o.prompts(),
                o.cautions(),
                o.ifLeftHere(),
                o.onlyIf());
    }

    private static Operation operation(Step s) {
        return new Operation(
                Operation.Kind.valueOf(s.kind()),
                s.module(),
                s.title(),
                s.reasons(),
                s.needs(),
                s.holds().stream().map(HoldPoint::valueOf).toList(),
                s.safeToStopDuring(),
                s.seconds(),
                s.prompts(),
                Objects.requireNonNullElse(s.cautions(), List.of()),
                Objects.requireNonNullElse(s.ifLeftHere(), ""),
                Objects.requireNonNullElse(s.onlyIf(), ""));
    }

    private static Outcome outcome(Judgement judgement) {
        return switch (judgement) {
            case Judgement.Applies applies -> Outcome.APPLIES;
            case Judgement.Blocked blocked -> Outcome.BLOCKED;
            case Judgement.NotNeeded notNeeded -> Outcome.NOT_NEEDED;
        };
    }

    /** The operations stand in the plan itself, in their order. */
    private static Judgement judgement(Decision decision) {
        return switch (decision.outcome()) {
            case APPLIES -> new Judgement.Applies(decision.reason(), List.of());
            case BLOCKED -> new Judgement.Blocked(decision.reason());
            case NOT_NEEDED -> new Judgement.NotNeeded(decision.reason());
        };
    }
}
