package codrane.core.planner;

import codrane.core.pack.Procedure.Effect;
import codrane.core.plan.Aids.Settling;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.Plan;
import codrane.core.plan.VehicleFacts;
import codrane.core.planner.CodingSources.State;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** "It does not work" is an answer, and leads on: what is left to do, the gentlest first. */
public final class WaysOn {
    private WaysOn() {}

    /**
     * @param id stable name: {@code settle}, {@code source}, {@code diagnose}, {@code tool}, {@code specialist}, {@code undo}
     * @param sentence what to do, and why
     */
    public record Way(String id, String sentence) {}

    public static List<Way> of(VehicleFacts facts, Plan plan) {
        List<Way> ways = new ArrayList<>();
        nextRung(facts, plan).ifPresent(s -> ways.add(new Way("settle", s)));
        otherSource(facts, plan).ifPresent(s -> ways.add(new Way("source", s)));
        ways.add(new Way("diagnose", "Look at the faults of a fresh scan: one that came back has a cause of its own."));
        ways.add(new Way(
                "tool", "Read back and do it with a second tool: what one reports done, another may not find."));
        ways.add(new Way("specialist", "A specialist reads, cleans or replaces what the workshop can't."));
        boolean values = !facts.wished().isEmpty() || !facts.askedFeatures().isEmpty();
        if (plan.has(Kind.WRITE_CODING) && values)
            ways.add(new Way("undo", "Put the values of the baseline back: the settings are then as they came."));
        return List.copyOf(ways);
    }

    /** The rung of settling that follows, as "It does not work" needs it. */
    public static Optional<Settling> rung(VehicleFacts facts, Plan plan) {
        for (Settling rung : Settling.values()) if (!done(rung, facts, plan)) return Optional.of(rung);
        return Optional.empty();
    }

    private static boolean done(Settling rung, VehicleFacts facts, Plan plan) {
        return facts.aids().settled().contains(rung)
                || rung == Settling.SLEEP && certain(plan, Kind.SLEEP)
                || rung == Settling.RELEARN && (certain(plan, Kind.RELEARN) || !relearns(facts));
    }

    /** Whether the model has a routine by which anything is learned anew. */
    private static boolean relearns(VehicleFacts facts) {
        return facts.pack().equipment().procedures().values().stream().anyMatch(p -> p.effect() == Effect.RELEARN);
    }

    private static Optional<String> nextRung(VehicleFacts facts, Plan plan) {
        return rung(facts, plan).map(rung -> switch (rung) {
            case SLEEP -> "Let the modules sleep: nothing is lost by it.";
            case RELEARN -> "Have the modules learn their surroundings anew.";
            case RESET -> "Run the routine that restarts all modules.";
            case BATTERY_OFF -> "Take the battery off: clock, window end stops and radio code are lost by it.";
        });
    }

    private static boolean certain(Plan plan, Kind kind) {
        return plan.operations().stream().anyMatch(o -> o.kind() == kind && !o.conditional());
    }

    private static Optional<String> otherSource(VehicleFacts facts, Plan plan) {
        if (!plan.has(Kind.WRITE_CODING) || facts.module().isEmpty()) return Optional.empty();
        Optional<CodingSources.Ranked> taken =
                CodingSources.chosen(facts, facts.module().get());
        return CodingSources.rank(facts, facts.module().get()).stream()
                .filter(r -> r.state() != State.NOT_THERE)
                .filter(r -> taken.map(t -> t.source() != r.source()).orElse(true))
                .findFirst()
                .map(r -> "Code it from another source: " + r.source().words() + ".");
    }
}
