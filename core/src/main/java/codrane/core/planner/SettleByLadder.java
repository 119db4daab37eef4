package codrane.core.planner;

import codrane.core.pack.Concern;
import codrane.core.pack.Procedure;
import codrane.core.pack.Procedure.Effect;
import codrane.core.plan.Aids.Settling;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The least invasive means first: sleep, relearn, a routine that restarts all modules, and last the battery off. Each is
 * done only if messages stay after the one before; what was tried is not tried again, and the next follows.
 */
final class SettleByLadder implements Rule {
    @Override
    public String id() {
        return "settle-by-ladder";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!draft.writes() || facts.kind() == JobKind.CLEAR_FAULTS)
            return Judgement.notNeeded("Nothing is written that a vehicle has to take up.");
        if (facts.unmounted()) return Judgement.notNeeded("Settled is only what is mounted.");
        Set<Settling> tried = facts.aids().settled();
        List<Operation> rungs = new ArrayList<>();
        String before = "";
        for (Settling rung : Settling.values()) {
            Optional<Operation> act = act(rung, facts, draft);
            boolean planned = act.isEmpty();
            if (!tried.contains(rung) && !planned) {
                boolean next = !tried.isEmpty() && before.equals("tried");
                rungs.add(
                        next
                                ? act.get().because("What is gentler was tried, and messages stayed.")
                                : when(facts, draft, act.get(), before));
            }
            if (tried.contains(rung)) before = "tried";
            else if (!planned || draft.has(rung.kind())) before = word(rung);
        }
        return rungs.isEmpty()
                ? Judgement.notNeeded("Everything that settles a vehicle was tried or is planned.")
                : new Judgement.Applies("Settled by the gentlest means that works: each only if messages stay.", rungs);
    }

    /** What a module learns by moving is only for its own messages; the other means are for whatever is left. */
    private static Operation when(VehicleFacts facts, Draft draft, Operation act, String before) {
        String after = before.isEmpty() || before.equals("tried") ? "" : " after the " + before;
        boolean elsewhere =
                act.kind() == Kind.RELEARN && !draft.writtenModules().contains(act.module());
        return act.onlyIf(
                elsewhere
                        ? "a message stays" + after + ", and is about the "
                                + facts.pack().module(act.module()).lowerTitle()
                        : "a message stays or a new value is not taken up" + after);
    }

    private static String word(Settling rung) {
        return switch (rung) {
            case SLEEP -> "sleep";
            case RELEARN -> "relearning";
            case RESET -> "restart";
            case BATTERY_OFF -> "battery";
        };
    }

    /** Empty when the plan has it anyway, or this model knows no such thing. */
    private static Optional<Operation> act(Settling rung, VehicleFacts facts, Draft draft) {
        return switch (rung) {
            case SLEEP ->
                draft.has(Kind.SLEEP)
                        ? Optional.empty()
                        : Optional.of(SleepAfterCoding.sleep(facts, "Gentlest of all; nothing is lost by it."));
            case RELEARN -> draft.has(Kind.RELEARN) ? Optional.empty() : relearn(facts);
            case RESET ->
                Optional.of(Operation.of(
                        Kind.RESET,
                        "",
                        "Run the routine that restarts all modules",
                        Seconds.RESTART_ALL,
                        "Every module begins anew; nothing that is stored is lost by it."));
            case BATTERY_OFF -> Optional.of(batteryOff(facts, draft));
        };
    }

    private static Optional<Operation> relearn(VehicleFacts facts) {
        Optional<Procedure> procedure = facts.pack().equipment().procedures().values().stream()
                .filter(p ->
                        p.effect() == Effect.RELEARN && facts.answer(p.module()).answers())
                .findFirst();
        return procedure.map(p -> LearnAfterWriting.routine(
                Kind.RELEARN, p, "Surroundings are learned anew; what was learned before is lost by it."));
    }

    private static boolean highVoltage(VehicleFacts facts) {
        return facts.pack().modules().keySet().stream()
                .anyMatch(m -> facts.concerns(m).contains(Concern.HIGH_VOLTAGE));
    }

    private static Operation batteryOff(VehicleFacts facts, Draft draft) {
        List<String> prompts = new ArrayList<>();
        prompts.add("Waiting time and order by the service information");
        List<String> again = draft.operations().stream()
                .filter(o -> o.kind() == Kind.RELEARN)
                .map(Operation::title)
                .toList();
        if (!again.isEmpty()) prompts.add("What it undoes is done after it: " + String.join(", ", again));
        return Operation.of(
                        Kind.BATTERY_OFF,
                        "",
                        "Take the " + (highVoltage(facts) ? "12 V battery" : "battery") + " off, wait, put it on",
                        Seconds.BATTERY_OFF,
                        "The last means of all.",
                        "Lost by it: clock, window end stops, radio code.")
                .prompting(prompts);
    }
}
