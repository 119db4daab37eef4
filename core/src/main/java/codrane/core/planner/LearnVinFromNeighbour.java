package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobKind;
import codrane.core.plan.Judgement;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;
import codrane.core.scan.CodingState;
import java.util.List;
import java.util.Optional;

/** K13: a module that is told its VIN by a neighbour is erased, and then learns it. */
final class LearnVinFromNeighbour implements Rule {
    private static final int SECONDS = 20;

    @Override
    public String id() {
        return "learn-vin-from-neighbour";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        boolean asked = facts.kind() == JobKind.LEARN_VIN || facts.kind().replaces();
        if (!asked || facts.module().isEmpty()) return Judgement.notNeeded("No module has to learn its VIN.");
        PackModule module = facts.module().get();
        if (!facts.moduleAnswer().answers()) return Judgement.notNeeded(module.title() + " is silent.");
        Optional<PackModule> neighbour = module.traits().learnsVinFrom().map(facts.pack()::module);
        if (neighbour.isEmpty())
            return facts.kind() == JobKind.LEARN_VIN
                    ? Judgement.blocked(
                            "The pack knows no neighbour from which the " + module.lowerTitle() + " learns its VIN.")
                    : Judgement.notNeeded("It learns its VIN from no neighbour.");
        boolean holds =
                facts.moduleAnswer().vin().filter(facts.vin().text()::equals).isPresent();
        if (holds) return done(facts, module);
        boolean knows = facts.answer(neighbour.get().id())
                .vin()
                .filter(facts.vin().text()::equals)
                .isPresent();
        if (!knows)
            return Judgement.blocked("The " + neighbour.get().lowerTitle()
                    + " does not hold this vehicle's VIN itself: mend that first, or a wrong one is learned.");
        String reason = "The " + neighbour.get().lowerTitle() + " tells it; nothing is typed.";
        return Judgement.applies(
                reason,
                Operation.of(
                                Kind.WRITE_VIN,
                                module.id(),
                                "Erase the identity of the " + module.lowerTitle() + " and have the VIN learned",
                                SECONDS,
                                reason,
                                "The erase loses its coding: it is written again after.")
                        .needing("supply at coding voltage")
                        .holding(HoldPoint.BASELINE_STORED, HoldPoint.IDENTITY_SETTLED)
                        .prompting(List.of(
                                "Leave the key on: the module restarts by itself and asks its neighbour on waking"))
                        .ifLeftHere("Its coding is erased until the next step."));
    }

    private static Judgement done(VehicleFacts facts, PackModule module) {
        boolean coded =
                facts.coding(module.id()) == CodingState.AGREES || facts.coding(module.id()) == CodingState.NONE;
        return facts.kind() == JobKind.LEARN_VIN && coded
                ? Judgement.blocked(module.title() + " already holds this vehicle's VIN: nothing is to be done.")
                : Judgement.notNeeded(module.title() + " already holds this vehicle's VIN.");
    }
}
