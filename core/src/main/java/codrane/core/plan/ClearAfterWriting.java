package codrane.core.plan;

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
        return Judgement.Applies.of(reason, Operation.clearing(facts, reason));
    }
}
