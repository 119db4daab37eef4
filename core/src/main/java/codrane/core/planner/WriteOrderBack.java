package codrane.core.planner;

import codrane.core.pack.Equipment;
import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import codrane.core.scan.CodingState;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A replaced module that keeps the vehicle order gets it back. */
public final class WriteOrderBack implements Rule {
    @Override
    public String id() {
        return "write-order-back";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        Optional<VehicleOrder> order = facts.pack().equipment().order();
        if (!facts.kind().replaces() || facts.module().isEmpty()) return Judgement.notNeeded("Nothing was replaced.");
        PackModule module = facts.module().get();
        if (order.isEmpty() || !order.get().holders().contains(module.id()))
            return Judgement.notNeeded(module.title() + " keeps no vehicle order.");
        if (!facts.moduleAnswer().answers()) return Judgement.notNeeded(module.title() + " is silent.");
        boolean own = facts.moduleAnswer().vin().equals(Optional.of(facts.vin().text()))
                && facts.coding(module.id()) == CodingState.AGREES
                && !draft.has(Kind.PROGRAM, module.id());
        if (own) return Judgement.notNeeded(module.title() + " is this vehicle's, and its order with it.");
        Optional<String> keeper = keeper(facts, module.id());
        String from = keeper.map(k -> "The " + facts.pack().module(k).lowerTitle() + " keeps a copy of it.")
                .orElse("No other module keeps it: it comes from what was read of the old one, or from the papers.");
        List<String> reasons = new ArrayList<>();
        reasons.add("The " + module.lowerTitle() + " keeps the vehicle order, and a new part holds none or another's.");
        reasons.add(from);
        reasons.addAll(emptyFamilies(order.get(), facts.wishes().order().now()));
        return Judgement.applies(
                reasons.getFirst(),
                Operation.of(
                                Kind.WRITE_ORDER,
                                module.id(),
                                "Write the vehicle order to the " + module.lowerTitle(),
                                Seconds.PER_BLOCK,
                                reasons.toArray(String[]::new))
                        .needing("the vehicle order", "supply at coding voltage")
                        .holding(HoldPoint.BASELINE_STORED));
    }

    /** Another module that keeps this vehicle's order. */
    private static Optional<String> keeper(VehicleFacts facts, String module) {
        return facts.pack().equipment().order().map(VehicleOrder::holders).orElse(List.of()).stream()
                .filter(h -> !h.equals(module))
                .filter(h ->
                        facts.answer(h).vin().equals(Optional.of(facts.vin().text())))
                .findFirst();
    }

    /** Whether no module that is left keeps the order of a vehicle whose module was replaced. */
    public static boolean fromPapers(VehicleFacts facts, String module) {
        return keeper(facts, module).isEmpty();
    }

    /** Families of which no code is left, each as a sentence; none when the order is not known. */
    static List<String> emptyFamilies(VehicleOrder order, List<String> codes) {
        if (codes.isEmpty()) return List.of();
        return order.families().values().stream()
                .filter(family -> family.lacking(codes))
                .sorted(java.util.Comparator.comparing(Equipment.Family::id))
                .map(family -> "No code of the family \"" + family.id() + "\" is in it then: "
                        + String.join(" or ", family.codes()) + " is missing.")
                .toList();
    }
}
