package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.part.Version;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.VehicleFacts;

/** K3: the newest software that the maker's chain leads to, in place. */
final class UpdateSoftware implements Rule {
    @Override
    public String id() {
        return "update-software";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.kind() != JobKind.UPDATE_SOFTWARE || facts.module().isEmpty())
            return Judgement.notNeeded("No software is updated in place.");
        PackModule module = facts.module().get();
        ModuleAnswer answer = facts.moduleAnswer();
        if (!answer.answers()) return Judgement.notNeeded(module.title() + " is silent.");
        String newest = facts.target(module);
        if (!answer.bootOnly() && answer.software().isEmpty())
            return Judgement.blocked(module.title() + " did not say which software it has: scan again.");
        if (ProgramModule.newerThanKnown(facts, module))
            return Judgement.blocked(
                    ProgramModule.newer(facts, module) + ": from where it is, and whether it fits, is asked first.");
        boolean file = facts.aids().said().file().isPresent();
        if (file && !answer.bootOnly() && ProgramModule.isOlder(newest, answer.software()))
            return Judgement.applies(
                    "The file at hand is older than what is in the module.",
                    ProgramModule.of(
                            facts,
                            module,
                            "Take the " + module.lowerTitle() + " back to " + newest,
                            "The file at hand has " + newest + "."));
        if (!answer.bootOnly() && Version.parse(answer.software()).compareTo(Version.parse(newest)) >= 0)
            return Judgement.blocked("Software " + answer.software()
                    + (answer.software().equals(newest) ? " is the newest there is" : " is newer than " + newest)
                    + ": nothing to update.");
        if (module.flash().isEmpty())
            return Judgement.blocked("The pack does not say how to program the " + module.lowerTitle() + ".");
        String reason = answer.bootOnly()
                ? "Only its boot software answers."
                : "Software " + answer.software() + " has the successor " + newest + ".";
        return Judgement.applies(
                reason, ProgramModule.of(facts, module, "Update the " + module.lowerTitle() + " to " + newest, reason));
    }
}
