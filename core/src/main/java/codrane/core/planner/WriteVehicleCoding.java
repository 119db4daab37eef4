package codrane.core.planner;

import codrane.core.pack.CodingSource;
import codrane.core.pack.Concern;
import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import codrane.core.scan.CodingState;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Code the replaced module when its coding is blank, damaged or another vehicle's: from the surest source there is. */
final class WriteVehicleCoding implements Rule {
    private static final Set<Concern> WEIGHTY =
            EnumSet.of(Concern.EMISSIONS, Concern.RESTRAINTS, Concern.BRAKES, Concern.STEERING);

    @Override
    public String id() {
        return "write-vehicle-coding";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        boolean codes = facts.kind().replaces() || facts.kind() == JobKind.LEARN_VIN;
        if (!codes || facts.module().isEmpty()) return Judgement.notNeeded("Nothing was replaced.");
        PackModule module = facts.module().get();
        if (!facts.moduleAnswer().answers()) return Judgement.notNeeded(module.title() + " is silent.");
        if (module.blocks().isEmpty()) return Judgement.notNeeded(module.title() + " has no coding.");
        if (facts.moduleAnswer().bootOnly())
            return code(facts, module, "Its boot software tells no coding: it is written after the programming.");
        CodingState state = facts.coding(module.id());
        boolean learns = draft.has(Kind.WRITE_VIN, module.id())
                && module.traits().learnsVinFrom().isPresent();
        if (learns && (facts.kind().replaces() || state != CodingState.AGREES))
            return code(facts, module, "Learning the VIN loses its coding." + why(state));
        return switch (state) {
            case NONE -> Judgement.notNeeded(module.title() + " has no coding.");
            case AGREES ->
                draft.has(Kind.PROGRAM, module.id()) || learns
                        ? Judgement.notNeeded("Its coding was made for this vehicle: it goes back after the erase.")
                        : Judgement.notNeeded("Its coding was made for this vehicle.");
            case UNMARKED, BLANK, FOR_ANOTHER, CHECK_WRONG, NOT_READ, NO_LAYOUT ->
                code(facts, module, why(state).strip());
        };
    }

    /** Why what a module holds is not good for this vehicle. */
    static String why(CodingState state) {
        return switch (state) {
            case NONE, AGREES -> "";
            case UNMARKED -> " Its coding bears no mark of any vehicle: it is compared with a source.";
            case BLANK -> " It was never coded.";
            case FOR_ANOTHER -> " Its coding was made for another vehicle.";
            case CHECK_WRONG -> " The check of its coding does not fit the content.";
            case NOT_READ -> " Its coding could not be read, so it is written anew.";
            case NO_LAYOUT -> " How its software keeps the coding is not known, so it is written anew.";
        };
    }

    /** From the surest source there is, or the one that was chosen. */
    static Judgement code(VehicleFacts facts, PackModule module, String reason) {
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
        Optional<String> notChosen = CodingSources.notPossible(facts, module);
        if (notChosen.isPresent()) write = write.because(notChosen.get());
        Optional<String> stale = CodingSources.stale(facts, source);
        if (stale.isPresent()) write = write.because(stale.get()).holding(HoldPoint.GAPS_CONFIRMED);
        if (source == CodingSource.REFERENCE && weighty(facts, module))
            write = write.because("Another vehicle's values in the " + module.lowerTitle() + " are the lead's.")
                    .holding(HoldPoint.LEAD_APPROVED);
        List<Operation> operations = new ArrayList<>();
        if (source == CodingSource.VEHICLE_ORDER)
            operations.add(Operation.of(
                    Kind.DERIVE_CODING,
                    module.id(),
                    "Derive the coding of the " + module.lowerTitle() + " from the order",
                    1,
                    "Codes of the order give the values of the " + module.lowerTitle() + "."));
        operations.add(write);
        return new Judgement.Applies(reason, operations);
    }

    /** Where another vehicle's values could hurt. */
    private static boolean weighty(VehicleFacts facts, PackModule module) {
        return facts.concerns(module.id()).stream().anyMatch(WEIGHTY::contains);
    }
}
