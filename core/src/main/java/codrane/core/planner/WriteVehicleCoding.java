package codrane.core.planner;

import codrane.core.pack.CodingSource;
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

/** Code the replaced module when its coding is blank, damaged or another vehicle's: from the surest source there is. */
final class WriteVehicleCoding implements Rule {
    @Override
    public String id() {
        return "write-vehicle-coding";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (!facts.kind().replaces() || facts.module().isEmpty()) return Judgement.notNeeded("Nothing was replaced.");
        PackModule module = facts.module().get();
        if (!facts.moduleAnswer().answers()) return Judgement.notNeeded(module.title() + " is silent.");
        if (module.blocks().isEmpty()) return Judgement.notNeeded(module.title() + " has no coding.");
        boolean learns = draft.has(Kind.WRITE_VIN, module.id())
                && module.traits().learnsVinFrom().isPresent();
        if (learns) return code(facts, module, "Learning the VIN loses its coding.");
        CodingState state = facts.moduleAnswer().coding();
        return switch (state) {
            case NONE -> Judgement.notNeeded(module.title() + " has no coding.");
            case AGREES ->
                draft.has(Kind.PROGRAM, module.id())
                        ? Judgement.notNeeded(
                                "Its coding was made for this vehicle: it goes back after the programming.")
                        : Judgement.notNeeded("Its coding was made for this vehicle.");
            case BLANK -> code(facts, module, "It was never coded.");
            case FOR_ANOTHER -> code(facts, module, "Its coding was made for another vehicle.");
            case CHECK_WRONG -> code(facts, module, "The check of its coding does not fit the content.");
            case NOT_READ -> code(facts, module, "Its coding could not be read, so it is written anew.");
        };
    }

    private static Judgement code(VehicleFacts facts, PackModule module, String reason) {
        Optional<CodingSources.Ranked> best = CodingSources.chosen(facts, module);
        if (best.isEmpty())
            return Judgement.blocked(
                    reason + " There is no source for its coding: no old module, and the pack names none.");
        CodingSource source = best.get().source();
        List<String> needs = new ArrayList<>(List.of(source.words()));
        needs.add("supply at coding voltage");
        Operation write = Operation.of(
                        Kind.WRITE_CODING,
                        module.id(),
                        "Write the coding of the " + module.lowerTitle(),
                        Math.max(1, module.blocks().size()) * Seconds.PER_BLOCK,
                        reason,
                        "Source: " + source.words() + ". " + best.get().reason())
                .needing(needs.toArray(String[]::new))
                .prompting(Looks.untilCoded(module));
        if (source == CodingSource.LINE_SHEET) write = write.holding(HoldPoint.SHEET_CHECKED);
        if (source == CodingSource.OLD_MODULE) write = write.holding(HoldPoint.OLD_MODULE_READ);
        if (source == CodingSource.REFERENCE) write = write.holding(HoldPoint.GAPS_CONFIRMED);
        List<Operation> operations = new ArrayList<>();
        if (source == CodingSource.VEHICLE_ORDER)
            operations.add(Operation.of(
                    Kind.DERIVE_CODING,
                    module.id(),
                    "Derive the coding of the " + module.lowerTitle() + " from the order",
                    1,
                    best.get().reason()));
        operations.add(write);
        return new Judgement.Applies(reason, operations);
    }
}
