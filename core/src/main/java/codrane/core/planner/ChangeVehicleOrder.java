package codrane.core.planner;

import codrane.core.order.OrderCoding;
import codrane.core.order.OrderEffect;
import codrane.core.pack.Equipment.VehicleOrder;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import codrane.core.scan.CodingState;
import codrane.core.text.Words;
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
        Set<String> silent = new LinkedHashSet<>(in);
        silent.addAll(out);
        silent.removeIf(code -> order.follow().containsKey(code)
                || !OrderCoding.about(order, List.of(code)).isEmpty());
        if (!silent.isEmpty())
            return Judgement.blocked("The pack does not say what follows from " + String.join(", ", silent)
                    + ": the order is not changed alone.");
        OrderWork work = OrderWork.of(facts, order);
        for (String module : work.coded())
            if (!facts.answer(module).answers())
                return Judgement.blocked(facts.pack().module(module).title()
                        + " does not answer, and its coding follows from the order: it is not left behind.");
        if (!work.foreign(facts).isEmpty()) {
            String module = work.foreign(facts).getFirst();
            return Judgement.blocked("What follows from the order can't be put into the "
                    + facts.pack().module(module).lowerTitle() + "."
                    + WriteVehicleCoding.why(facts.coding(module)) + " That is mended first, in a job of its own.");
        }
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
                    .needing("supply at coding voltage")
                    .holding(HoldPoint.BASELINE_STORED)
                    .ifLeftHere(DISAGREE));
        List<String> then = new ArrayList<>(facts.wishes().order().now());
        then.removeAll(out);
        if (!then.isEmpty()) then.addAll(in);
        List<String> empty = WriteOrderBack.emptyFamilies(order, then);
        for (String family : empty) operations.set(0, operations.getFirst().because(family));
        if (work.coded().isEmpty())
            return new Judgement.Applies(change + " No module's coding changes with it.", operations);
        for (String id : work.coded()) {
            PackModule module = facts.pack().module(id);
            derive(module, work, facts, operations);
        }
        return new Judgement.Applies(
                change + " " + Words.capital(facts.these(work.coded(), "follows", "follow")) + " from it.", operations);
    }

    private static String words(List<String> codes, String where) {
        return codes.isEmpty() ? "" : String.join(", ", codes) + " " + where;
    }

    /** What is intended, and apart from it what changes because module and order disagreed before. */
    private static List<String> changes(PackModule module, OrderWork work) {
        if (work.whole().contains(module.id()))
            return List.of("The " + module.lowerTitle()
                    + " is coded whole: the order's values, and those as built where the order says none.");
        List<String> reasons = new ArrayList<>();
        List<OrderEffect.Change> intended = work.intended(module.id());
        if (intended.isEmpty())
            reasons.add("The " + module.lowerTitle() + " knows of it; the pack says no setting that changes.");
        else reasons.add("In the " + module.lowerTitle() + " " + words(intended) + ".");
        List<OrderEffect.Change> besides = work.sideEffects(module.id());
        if (!besides.isEmpty())
            reasons.add("Besides, for the " + module.lowerTitle() + " disagreed with the order before: "
                    + words(besides) + ".");
        return reasons;
    }

    private static String words(List<OrderEffect.Change> changes) {
        return String.join("; ", changes.stream().map(OrderEffect.Change::words).toList());
    }

    private static void derive(PackModule module, OrderWork work, VehicleFacts facts, List<Operation> operations) {
        List<String> reasons = new ArrayList<>(changes(module, work));
        if (facts.coding(module.id()) == CodingState.NOT_READ && !work.whole().contains(module.id()))
            reasons.add("What it holds was not read yet: the baseline reads it, and nothing is derived before.");
        operations.add(Operation.of(
                        Kind.DERIVE_CODING,
                        module.id(),
                        "Derive the coding of the " + module.lowerTitle() + " from the order",
                        1,
                        reasons.toArray(String[]::new))
                .ifLeftHere(DISAGREE));
        boolean last = module.id().equals(work.coded().getLast());
        operations.add(Operation.of(
                        Kind.WRITE_CODING,
                        module.id(),
                        "Write the derived coding of the " + module.lowerTitle(),
                        Math.max(1, module.blocks().size()) * Seconds.PER_BLOCK,
                        place(facts, work, module))
                .needing("supply at coding voltage")
                .holding(HoldPoint.BASELINE_STORED)
                .prompting(uncoded(facts, module) ? Looks.untilCoded(module) : List.of())
                .ifLeftHere(last ? "" : DISAGREE));
    }

    private static boolean uncoded(VehicleFacts facts, PackModule module) {
        return facts.coding(module.id()) == CodingState.BLANK || facts.coding(module.id()) == CodingState.CHECK_WRONG;
    }

    /** Neighbours first, so that they know of the part when it comes. */
    private static String place(VehicleFacts facts, OrderWork work, PackModule module) {
        if (facts.newPart().isEmpty())
            return "Until then the " + module.lowerTitle() + " does not agree with the order.";
        return module.id().equals(work.coded().getLast())
                ? "The " + module.lowerTitle() + " comes last: its neighbours know of it by then."
                : "The " + module.lowerTitle() + " comes before the part itself.";
    }
}
