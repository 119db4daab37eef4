package codrane.core.plan;

import codrane.core.pack.PackModule;
import java.util.List;

final class ResetAfterWriting implements Rule {
    @Override
    public String id() {
        return "reset-after-writing";
    }

    @Override
    public Judgement judge(VehicleFacts facts) {
        if (facts.replacedModule().isEmpty() || !facts.replacedReading().answers()) {
            return new Judgement.NotNeeded("Nothing is written.");
        }
        PackModule module = facts.replacedModule().get();
        String reason = "New values are taken up after a restart.";
        return Judgement.Applies.of(
                reason,
                new Operation(
                        Operation.Kind.RESET,
                        module.id(),
                        "Restart the " + module.lowerTitle(),
                        List.of(reason),
                        List.of(),
                        List.of(HoldPoint.WRITES_RELEASED),
                        true,
                        4,
                        List.of()));
    }
}
