package codrane.core.plan;

import codrane.core.scan.ModuleReading;

/** A job that is about faults clears them, when there are any and when they are written down. */
final class ClearWhatWasAsked implements Rule {
    @Override
    public String id() {
        return "clear-what-was-asked";
    }

    @Override
    public Judgement judge(VehicleFacts facts) {
        if (facts.kind() != JobKind.CLEAR_FAULTS) return new Judgement.NotNeeded("This job is not about faults alone.");
        long stored = facts.readings().values().stream()
                .mapToLong(r -> r.faults().size())
                .sum();
        if (stored == 0) return new Judgement.Blocked("No fault is stored: there is nothing to clear.");
        long present = facts.readings().values().stream()
                .flatMap((ModuleReading r) -> r.faults().stream())
                .filter(f -> f.present())
                .count();
        String reason = stored
                + (stored == 1 ? " fault is stored" : " faults are stored")
                + (present == 0
                        ? ", none of them present: clearing should be enough."
                        : "; " + present + " present now, and comes back until its cause is mended.");
        return Judgement.Applies.of(reason, Operation.clearing(facts, reason));
    }
}
