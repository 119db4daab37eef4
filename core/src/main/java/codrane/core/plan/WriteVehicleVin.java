package codrane.core.plan;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import java.util.List;

/** Give the replaced module this vehicle's VIN when it carries another or none. */
final class WriteVehicleVin implements Rule {
    @Override
    public String id() {
        return "write-vehicle-vin";
    }

    @Override
    public Judgement judge(VehicleFacts facts) {
        if (facts.replacedModule().isEmpty()) return new Judgement.NotNeeded("Nothing was replaced.");
        PackModule module = facts.replacedModule().get();
        if (!facts.replacedReading().answers()) return new Judgement.NotNeeded(module.title() + " is silent.");
        Bytes stored = facts.replacedReading().octets(Ident.VIN).orElse(Bytes.EMPTY);
        if (stored.equals(Bytes.ascii(facts.vin().text()))) {
            return new Judgement.NotNeeded(module.title() + " already holds this vehicle's VIN.");
        }
        boolean blank = stored.isEmpty() || stored.allAre(0xFF) || stored.allAre(0) || stored.allAre(' ');
        if (!blank && !module.traits().vinRewritable()) {
            return new Judgement.Blocked(
                    module.title() + " is bound to " + stored.text() + " for good: this part can't be used here.");
        }
        String reason = blank ? "It holds no VIN." : "It holds " + stored.text() + ", the VIN of its donor.";
        return Judgement.Applies.of(
                reason,
                new Operation(
                        Operation.Kind.WRITE_VIN,
                        module.id(),
                        "Write the VIN to the " + module.lowerTitle(),
                        List.of(reason),
                        List.of("supply at coding voltage"),
                        List.of(HoldPoint.IDENTITY_SETTLED, HoldPoint.WRITES_RELEASED),
                        true,
                        2,
                        List.of()));
    }
}
