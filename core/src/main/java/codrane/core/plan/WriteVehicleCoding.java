package codrane.core.plan;

import codrane.core.pack.PackModule;
import codrane.core.scan.CodingState;
import java.util.List;

/** Code the replaced module from the line sheet when its coding is blank, damaged or another vehicle's. */
final class WriteVehicleCoding implements Rule {
    @Override
    public String id() {
        return "write-vehicle-coding";
    }

    @Override
    public Judgement judge(VehicleFacts facts) {
        if (facts.replacedModule().isEmpty()) return new Judgement.NotNeeded("Nothing was replaced.");
        PackModule module = facts.replacedModule().get();
        if (!facts.replacedReading().answers()) return new Judgement.NotNeeded(module.title() + " is silent.");
        CodingState state = CodingState.of(facts.pack(), module, facts.replacedReading(), facts.vin());
        return switch (state) {
            case NONE -> new Judgement.NotNeeded(module.title() + " has no coding.");
            case AGREES -> new Judgement.NotNeeded("Its coding was made for this vehicle.");
            case BLANK -> code(module, "It was never coded.");
            case FOR_ANOTHER -> code(module, "Its coding was made for another vehicle.");
            case CHECK_WRONG -> code(module, "The check of its coding does not fit the content.");
            case NOT_READ -> code(module, "Its coding could not be read, so it is written anew.");
        };
    }

    private static Judgement code(PackModule module, String reason) {
        return Judgement.Applies.of(
                reason,
                new Operation(
                        Operation.Kind.WRITE_CODING,
                        module.id(),
                        "Write the coding of the " + module.lowerTitle(),
                        List.of(reason, "Source: the line sheet of this VIN."),
                        List.of("line sheet of this VIN", "supply at coding voltage"),
                        List.of(HoldPoint.SHEET_CHECKED, HoldPoint.WRITES_RELEASED),
                        true,
                        3,
                        List.of()));
    }
}
