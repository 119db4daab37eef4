package codrane.core.planner;

import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** K8: old code out, new code in; then every module that follows from them, the part itself last. */
final class ChangeVehicleOrder implements Rule {
    private static final String DISAGREE = "Order and modules disagree until the coding is written: go on.";

    @Override
    public String id() {
        return "change-vehicle-order";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.kind() != JobKind.RETROFIT) return Judgement.notNeeded("The vehicle order stays.");
        if (facts.pack().equipment().order().isEmpty())
            return Judgement.blocked("The pack knows no vehicle order for this model.");
        VehicleOrder order = facts.pack().equipment().order().get();
        List<String> out = facts.wishes().order().out();
        List<String> in = facts.wishes().order().in();
        if (out.isEmpty() && in.isEmpty()) return Judgement.notNeeded("No code was chosen.");
        Set<String> modules = new LinkedHashSet<>();
        for (String code : changed(out, in)) modules.addAll(order.follow().getOrDefault(code, List.of()));
        if (modules.isEmpty())
            return Judgement.blocked("The pack does not say which modules follow from "
                    + String.join(", ", changed(out, in)) + ": the order is not changed alone.");
        for (String module : modules)
            if (!facts.answer(module).answers())
                return Judgement.blocked(facts.pack().module(module).title()
                        + " does not answer, and its coding follows from the order: it is not left behind.");
        String change = words(out, "out") + (out.isEmpty() || in.isEmpty() ? "" : ", ") + words(in, "in") + ".";
        List<Operation> operations = new ArrayList<>();
        for (String holder : order.holders())
            operations.add(Operation.of(
                            Kind.WRITE_ORDER,
                            holder,
                            "Write the vehicle order to the "
                                    + facts.pack().module(holder).lowerTitle(),
                            Seconds.PER_BLOCK,
                            facts.pack().module(holder).title() + " keeps the order: " + change)
                    .holding(HoldPoint.BASELINE_STORED)
                    .ifLeftHere(DISAGREE));
        List<String> then = new ArrayList<>(facts.wishes().order().now());
        then.removeAll(out);
        if (!then.isEmpty()) then.addAll(in);
        List<String> empty = WriteOrderBack.emptyFamilies(order, then);
        for (String family : empty) operations.set(0, operations.getFirst().because(family));
        List<String> inOrder = List.copyOf(modules);
        for (String module : inOrder) derive(facts.pack().module(module), module.equals(inOrder.getLast()), operations);
        return new Judgement.Applies(
                change + " " + capital(facts.these(List.copyOf(modules), "follows", "follow")) + " from it.",
                operations);
    }

    private static String capital(String words) {
        return words.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + words.substring(1);
    }

    private static Set<String> changed(List<String> out, List<String> in) {
        Set<String> codes = new LinkedHashSet<>(in);
        codes.addAll(out);
        return codes;
    }

    private static String words(List<String> codes, String where) {
        return codes.isEmpty() ? "" : String.join(", ", codes) + " " + where;
    }

    private static void derive(PackModule module, boolean last, List<Operation> operations) {
        operations.add(Operation.of(
                        Kind.DERIVE_CODING,
                        module.id(),
                        "Derive the coding of the " + module.lowerTitle() + " from the order",
                        1,
                        "What changes in the " + module.lowerTitle()
                                + " besides the codes is listed apart, before it is written.")
                .ifLeftHere(DISAGREE));
        operations.add(Operation.of(
                        Kind.WRITE_CODING,
                        module.id(),
                        "Write the derived coding of the " + module.lowerTitle(),
                        Math.max(1, module.blocks().size()) * Seconds.PER_BLOCK,
                        last
                                ? "The " + module.lowerTitle() + " comes last: its neighbours know of it by then."
                                : "The " + module.lowerTitle() + " comes before the part itself.")
                .needing("supply at coding voltage")
                .holding(HoldPoint.BASELINE_STORED)
                .prompting(Looks.untilCoded(module))
                .ifLeftHere(last ? "" : DISAGREE));
    }
}
