package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.PartFacts.Old;
import codrane.core.plan.VehicleFacts;

/** What an old module still tells is read before anybody removes it; a module that is erased in place is read, too. */
final class ReadBeforeRemoval implements Rule {
    @Override
    public String id() {
        return "read-before-removal";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.module().isEmpty()) return Judgement.notNeeded("No module is replaced or erased.");
        PackModule module = facts.module().get();
        if (!facts.kind().replaces())
            return read(facts, module, "What is erased in place is read first: custom coding may be lost by it.");
        Old old = facts.part().old().orElse(Old.GONE);
        return switch (old) {
            case READ, OF_ANOTHER -> Judgement.notNeeded("The old module " + old.words() + ".");
            case SPEAKS ->
                read(
                        facts,
                        module,
                        "The old module still speaks: its coding, VIN, counter and part data are read before it is removed.");
            case SILENT -> Judgement.notNeeded("The old module does not speak: could not be read is also a result.");
            case GONE -> Judgement.notNeeded("The old module is gone.");
        };
    }

    private static Judgement read(VehicleFacts facts, PackModule module, String reason) {
        int seconds = Math.max(1, module.blocks().size()) * Seconds.PER_BLOCK;
        Operation read = Operation.of(
                Kind.READ_CODING,
                module.id(),
                "Read coding" + (module.adaptations().isEmpty() ? "" : " and learned values") + " of the "
                        + (facts.kind().replaces() ? "old " : "") + module.lowerTitle(),
                seconds + module.adaptations().size(),
                reason);
        if (!module.adaptations().isEmpty())
            read = read.because("It learned of this vehicle: " + BringBackLearned.names(module) + ".");
        return Judgement.applies(reason, facts.kind().replaces() ? read.holding(HoldPoint.OLD_MODULE_READ) : read);
    }
}
