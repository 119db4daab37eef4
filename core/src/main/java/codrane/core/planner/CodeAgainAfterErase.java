package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import codrane.core.scan.CodingState;

/** What an erase in place may lose is written back from what was read before. */
final class CodeAgainAfterErase implements Rule {
    @Override
    public String id() {
        return "code-again-after-erase";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.kind().replaces() || facts.module().isEmpty())
            return Judgement.notNeeded("Nothing is erased in place.");
        PackModule module = facts.module().get();
        boolean erased = draft.has(Kind.PROGRAM, module.id()) || draft.has(Kind.WRITE_VIN, module.id());
        if (!erased) return Judgement.notNeeded("Nothing is erased in place.");
        if (module.blocks().isEmpty()) return Judgement.notNeeded(module.title() + " has no coding.");
        if (facts.moduleAnswer().bootOnly())
            return Judgement.notNeeded("Boot software tells no coding: it is compared after the programming.");
        if (facts.moduleAnswer().coding() == CodingState.NOT_READ)
            return Judgement.blocked("The coding of the " + module.lowerTitle()
                    + " was not read, and an erase may lose it: scan again.");
        String reason = facts.kind() == JobKind.LEARN_VIN
                ? "Learning the VIN erases its coding: what was read before goes back."
                : "Programming may wipe custom coding: what was read before goes back where it still fits.";
        return Judgement.applies(
                reason,
                Operation.of(
                                Kind.WRITE_CODING,
                                module.id(),
                                "Write the coding of the " + module.lowerTitle() + " back",
                                module.blocks().size() * Seconds.PER_BLOCK,
                                reason)
                        .needing("what was read before", "supply at coding voltage")
                        .holding(HoldPoint.BASELINE_STORED));
    }
}
