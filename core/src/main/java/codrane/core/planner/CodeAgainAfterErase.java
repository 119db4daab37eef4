package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Judgement;
import codrane.core.plan.ModuleAnswer;
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
        List<String> bootOnly = new ArrayList<>();
        for (String id : erased(facts, draft)) {
            PackModule module = facts.pack().module(id);
            ModuleAnswer answer = facts.answer(id);
            boolean coded = draft.has(Kind.WRITE_CODING, id); // from a better source
            if (coded || module.blocks().isEmpty() || answer.coding() == CodingState.NONE) continue;
            if (answer.bootOnly()) bootOnly.add(module.title());
            else if (answer.coding() == CodingState.NOT_READ)
                return Judgement.blocked("The coding of the " + module.lowerTitle()
                        + " was not read, and an erase may lose it: scan again.");
            else writes.add(back(module, draft.has(Kind.PROGRAM, id)));
        }
        if (!writes.isEmpty())
            return new Judgement.Applies(
                    "An erase may lose coding: what was read before goes back where it still fits.", writes);
        return Judgement.notNeeded(
                bootOnly.isEmpty()
                        ? "Nothing that is coded is erased in place."
                        : String.join(", ", bootOnly)
                                + " tells no coding from its boot software: it is compared after the programming.");
    }

    private static Set<String> erased(VehicleFacts facts, Draft draft) {
        Set<String> modules = new LinkedHashSet<>(draft.modulesOf(Set.of(Kind.PROGRAM)));
        for (String module : draft.modulesOf(Set.of(Kind.WRITE_VIN)))
            if (facts.pack().module(module).traits().learnsVinFrom().isPresent()) modules.add(module);
        return modules;
    }

    private static Operation back(PackModule module, boolean programmed) {
        return Operation.of(
                        Kind.WRITE_CODING,
                        module.id(),
                        "Write the coding of the " + module.lowerTitle() + " back",
                        module.blocks().size() * Seconds.PER_BLOCK,
                        programmed
                                ? "Programming may wipe custom coding: what was read before goes back where it still fits."
                                : "Learning the VIN erases its coding: what was read before goes back.")
                .needing("what was read before", "supply at coding voltage")
                .holding(HoldPoint.BASELINE_STORED);
    }
}
