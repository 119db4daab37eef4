package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import codrane.core.scan.CodingState;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** What an erase in place may lose is written back from what was read before, in neighbours that are updated, too. */
final class CodeAgainAfterErase implements Rule {
    @Override
    public String id() {
        return "code-again-after-erase";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        List<Operation> writes = new ArrayList<>();
        for (String id : erased(facts, draft)) {
            PackModule module = facts.pack().module(id);
            CodingState state = facts.coding(id);
            boolean coded = draft.has(Kind.WRITE_CODING, id); // from a better source
            if (coded || module.blocks().isEmpty() || state == CodingState.NONE) continue;
            boolean boot = facts.answer(id).bootOnly();
            if (state == CodingState.NOT_READ && !boot)
                return Judgement.blocked("The coding of the " + module.lowerTitle()
                        + " was not read, and an erase may lose it: scan again.");
            if (state == CodingState.AGREES) writes.add(back(facts, module, draft.has(Kind.PROGRAM, id)));
            else if (WriteVehicleCoding.code(facts, module, notGood(module, boot, state))
                    instanceof Judgement.Applies(String reason, List<Operation> operations)) writes.addAll(operations);
            else
                return Judgement.blocked(notGood(module, boot, state) + " Nothing gives the coding of the "
                        + module.lowerTitle() + " after the erase: say from where it comes.");
        }
        return writes.isEmpty()
                ? Judgement.notNeeded("Nothing that is coded is erased in place.")
                : new Judgement.Applies("An erase may lose coding: what was good before goes back.", writes);
    }

    /** Only what was good before is written back. */
    private static String notGood(PackModule module, boolean boot, CodingState state) {
        return boot
                ? "The boot software of the " + module.lowerTitle() + " tells no coding that could go back."
                : "What is in the " + module.lowerTitle() + " does not go back: " + state.words() + ".";
    }

    private static Set<String> erased(VehicleFacts facts, Draft draft) {
        Set<String> modules = new LinkedHashSet<>(draft.modulesOf(Set.of(Kind.PROGRAM)));
        for (String module : draft.modulesOf(Set.of(Kind.WRITE_VIN)))
            if (facts.pack().module(module).traits().learnsVinFrom().isPresent()) modules.add(module);
        return modules;
    }

    private static Operation back(VehicleFacts facts, PackModule module, boolean programmed) {
        Operation back = Operation.of(
                        Kind.WRITE_CODING,
                        module.id(),
                        "Write the coding of the " + module.lowerTitle() + " back",
                        module.blocks().size() * Seconds.PER_BLOCK,
                        programmed
                                ? "Programming may wipe the coding of the " + module.lowerTitle()
                                        + ": what was read before goes back where it still fits."
                                : "Learning the VIN erases its coding: what was read before goes back.")
                .needing("what was read before", "supply at coding voltage")
                .holding(HoldPoint.BASELINE_STORED);
        return programmed ? Relaid.by(facts, module).map(back::because).orElse(back) : back;
    }
}
