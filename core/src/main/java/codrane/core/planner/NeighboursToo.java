package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.School;
import codrane.core.plan.VehicleFacts;
import codrane.core.scan.AgreementMatrix;
import java.util.ArrayList;
import java.util.List;

/**
 * Two schools. Leave-alone: each write is a risk, so modules that are not the job's own stay as they are, however old.
 * Level-set: modules older than the vehicle needs are brought up with it.
 */
final class NeighboursToo implements Rule {
    @Override
    public String id() {
        return "neighbours-too";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        List<PackModule> old = facts.pack().modules().values().stream()
                .filter(m -> !facts.part().module().equals(java.util.Optional.of(m.id())))
                .filter(m -> !draft.has(Kind.PROGRAM, m.id()))
                .filter(m -> isOld(m, facts.answer(m.id())))
                .toList();
        String titles = String.join(", ", old.stream().map(PackModule::title).toList());
        boolean programs = draft.has(Kind.PROGRAM) || facts.kind() == JobKind.UPDATE_SOFTWARE;
        if (facts.policy().is(School.NEIGHBOURS, "level-set") && programs) return level(facts, old, titles);
        return Judgement.notNeeded(
                old.isEmpty()
                        ? "No other module is touched: each write is a risk."
                        : "Older software in " + titles + " is left alone: each write is a risk. "
                                + facts.policy().source(School.NEIGHBOURS));
    }

    private static Judgement level(VehicleFacts facts, List<PackModule> old, String titles) {
        if (old.isEmpty()) return Judgement.notNeeded("Level-set: no other module is older than the vehicle needs.");
        List<Operation> updates = new ArrayList<>();
        List<String> stay = new ArrayList<>();
        for (PackModule module : old) {
            if (module.flash().isEmpty()) {
                stay.add(module.title());
                continue;
            }
            String reason = "Level-set: " + facts.answer(module.id()).software() + " is older than "
                    + module.software().needed() + ". " + facts.policy().source(School.NEIGHBOURS);
            updates.add(ProgramModule.of(
                    facts,
                    module,
                    "Update the " + module.lowerTitle() + " to " + facts.target(module) + ", too",
                    reason));
        }
        String notHow = stay.isEmpty()
                ? ""
                : " The pack does not say how to program " + String.join(", ", stay) + ": left as it is.";
        if (updates.isEmpty()) return Judgement.notNeeded("Level-set." + notHow);
        return new Judgement.Applies("Level-set: older software in " + titles + "." + notHow, updates);
    }

    private static boolean isOld(PackModule module, ModuleAnswer answer) {
        return answer.answers() && !answer.software().isEmpty() && AgreementMatrix.tooOld(module, answer.software());
    }
}
