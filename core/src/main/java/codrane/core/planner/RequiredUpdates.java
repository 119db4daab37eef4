package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.part.Version;
import codrane.core.plan.Judgement;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Updates that the new software requires of other modules are in the plan under either school. */
final class RequiredUpdates implements Rule {
    @Override
    public String id() {
        return "required-updates";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        Map<String, Operation> updates = new LinkedHashMap<>();
        Deque<String> programmed = new ArrayDeque<>(draft.modulesOf(Set.of(Kind.PROGRAM)));
        while (!programmed.isEmpty()) { // what is updated may require more
            PackModule module = facts.pack().module(programmed.remove());
            for (Map.Entry<String, String> required :
                    module.software().requires().entrySet()) {
                PackModule other = facts.pack().module(required.getKey());
                if (draft.has(Kind.PROGRAM, other.id()) || updates.containsKey(other.id())) continue;
                String requires = module.title() + " " + module.software().current() + " requires " + other.title()
                        + " " + required.getValue() + "; ";
                ModuleAnswer answer = facts.answer(other.id());
                if (!answer.bootOnly() && answer.software().isEmpty())
                    return Judgement.blocked(requires + "which it has is not known. Have it answer, then scan again.");
                if (!answer.bootOnly() && !isOld(answer.software(), required.getValue())) continue;
                String reason = requires
                        + (answer.bootOnly() ? "only its boot software answers." : "it has " + answer.software() + ".");
                if (other.flash().isEmpty())
                    return Judgement.blocked(reason + " The pack does not say how to program it.");
                updates.put(
                        other.id(),
                        ProgramModule.of(
                                facts,
                                other,
                                "Update the " + other.lowerTitle() + " to " + facts.target(other) + ", too",
                                reason));
                programmed.add(other.id());
            }
        }
        return updates.isEmpty()
                ? Judgement.notNeeded("No other module must be updated for it.")
                : new Judgement.Applies(
                        "The new software requires it of " + updates.size() + " other module"
                                + (updates.size() == 1 ? "." : "s."),
                        List.copyOf(updates.values()));
    }

    private static boolean isOld(String software, String least) {
        return Version.parse(software).compareTo(Version.parse(least)) < 0;
    }
}
