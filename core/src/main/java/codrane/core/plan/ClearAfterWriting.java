package codrane.core.plan;

import java.util.List;

final class ClearAfterWriting implements Rule {
    @Override
    public String id() {
        return "clear-after-writing";
    }

    @Override
    public Judgement judge(VehicleFacts facts) {
        if (facts.replacedModule().isEmpty() || !facts.replacedReading().answers()) {
            return new Judgement.NotNeeded("Nothing is written, so nothing is cleared.");
        }
        String reason = "Faults that came from the part's old identity are cleared, and read again at once.";
        return Judgement.Applies.of(
                reason,
                new Operation(
                        Operation.Kind.CLEAR,
                        "",
                        "Clear the faults of all modules",
                        List.of(reason),
                        List.of("faults recorded"),
                        List.of(HoldPoint.FAULTS_RECORDED, HoldPoint.WRITES_RELEASED),
                        true,
                        facts.pack().modules().size(),
                        List.of()));
    }
}
