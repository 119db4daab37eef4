package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.plan.Aids.Content;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.VehicleFacts;

/** K2: the maker's unaltered software goes back, even the same version: what a module calls itself proves nothing. */
final class RestoreSoftware implements Rule {
    @Override
    public String id() {
        return "restore-software";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.kind() != JobKind.RESTORE_SOFTWARE || facts.module().isEmpty())
            return Judgement.notNeeded("No software is put back.");
        PackModule module = facts.module().get();
        if (!facts.moduleAnswer().answers()) return Judgement.notNeeded(module.title() + " is silent.");
        Content content = facts.aids().content();
        if (content == Content.STOCK)
            return Judgement.blocked("The verification number is the maker's: the software of the "
                    + module.lowerTitle() + " is unaltered, there is nothing to put back.");
        if (module.flash().isEmpty())
            return Judgement.blocked("The pack does not say how to program the " + module.lowerTitle() + ".");
        if (ProgramModule.newerThanKnown(facts, module))
            return Judgement.blocked(ProgramModule.newer(facts, module) + ": who wrote it is asked first.");
        String has = facts.moduleAnswer().software();
        String target = facts.target(module);
        String reason = content == Content.ALTERED
                ? "The verification number is none of the maker's: the software was altered."
                : "Whether the software was altered is not known: its verification number is compared first.";
        String which = has.equals(target)
                ? "The same version is written again: " + target + "."
                : "The maker's " + target + " is written" + (has.isEmpty() ? "." : "; it calls itself " + has + ".");
        return Judgement.applies(
                reason,
                ProgramModule.of(
                                facts,
                                module,
                                "Put the maker's software " + target + " back into the " + module.lowerTitle(),
                                reason)
                        .because(which)
                        .needing("no second writer on the socket"));
    }
}
