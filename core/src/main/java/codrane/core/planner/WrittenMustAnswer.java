package codrane.core.planner;

import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;

/** Nothing is written to a module that does not answer, and only programming to one that has no application. */
final class WrittenMustAnswer implements Rule {
    private static final String NOT_SEEN =
            " The maker's tool refuses a variant, too, as long as it does not see the part"
                    + " on the bus; the licence is not used up by that.";

    @Override
    public String id() {
        return "written-must-answer";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        for (String module : draft.writtenModules()) {
            String title = facts.pack().module(module).title();
            ModuleAnswer answer = facts.answer(module);
            if (!answer.answers())
                return Judgement.blocked(
                        title + (facts.answers().containsKey(module) ? " does not answer" : " was not asked")
                                + ": nothing can be written to it. Check that it is supplied, then scan again."
                                + (facts.kind() == JobKind.CHOOSE_VARIANT ? NOT_SEEN : ""));
            boolean judged = facts.kind().replaces()
                    && facts.module().filter(m -> m.id().equals(module)).isPresent(); // by program-or-code
            if (answer.bootOnly() && !judged && !draft.has(Kind.PROGRAM, module))
                return Judgement.blocked(
                        title + " answers only from its boot software: it takes nothing else until it is programmed.");
        }
        return Judgement.notNeeded(
                draft.writtenModules().isEmpty()
                        ? "No module is written."
                        : "What is written answers: " + facts.titles(draft.writtenModules()) + ".");
    }
}
