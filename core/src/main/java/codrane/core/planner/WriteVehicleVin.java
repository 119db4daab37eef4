package codrane.core.planner;

import codrane.core.pack.PackModule;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Judgement;
import codrane.core.plan.ModuleAnswer;
import codrane.core.plan.Operation;
import codrane.core.plan.Operation.Kind;
import codrane.core.plan.VehicleFacts;

/** Give the replaced module this vehicle's VIN when it carries another or none. */
final class WriteVehicleVin implements Rule {
    @Override
    public String id() {
        return "write-vehicle-vin";
    }

    @Override
    public Judgement judge(VehicleFacts facts, Draft draft) {
        if (facts.newPart().isEmpty()) return Judgement.notNeeded("No part comes into the vehicle.");
        PackModule module = facts.newPart().get();
        ModuleAnswer answer = facts.answer(module.id());
        if (!answer.answers()) return Judgement.notNeeded(module.title() + " is silent.");
        if (module.traits().learnsVinFrom().isPresent())
            return Judgement.notNeeded(module.title() + " learns its VIN from a neighbour.");
        if (answer.vin().filter(facts.vin().text()::equals).isPresent())
            return Judgement.notNeeded(module.title() + " already holds this vehicle's VIN.");
        String reason = answer.vin()
                .map(held -> held.isEmpty() ? "It holds no VIN." : "It holds " + held + ", the VIN of its donor.")
                .orElse("Its VIN could not be read: it is written, and read back.");
        return Judgement.applies(
                reason,
                Operation.of(
                                Kind.WRITE_VIN,
                                module.id(),
                                "Write the VIN to the " + module.lowerTitle(),
                                Seconds.VIN,
                                reason)
                        .needing("supply at coding voltage")
                        .holding(HoldPoint.IDENTITY_SETTLED));
    }
}
