package codrane.core.plan;

import java.util.List;

final class ProveByReading implements Rule {
    @Override
    public String id() {
        return "prove-by-reading";
    }

    @Override
    public Judgement judge(VehicleFacts facts) {
        if (facts.kind() == JobKind.BASELINE_ONLY)
            return new Judgement.NotNeeded("Nothing is written, so nothing is to be proved.");
        String reason = "Done is what a fresh scan reads back, not what a write reported.";
        int seconds = facts.pack().modules().size();
        boolean faults = facts.kind() == JobKind.CLEAR_FAULTS;
        Operation test = new Operation(
                Operation.Kind.FUNCTION_TEST,
                facts.replaced().orElse(""),
                faults ? "Work what the faults were about, and look whether they stay away" : "Try the function itself",
                List.of("Did it mend the complaint?"),
                List.of(),
                List.of(HoldPoint.FUNCTION_TESTED),
                true,
                120,
                List.of());
        return Judgement.Applies.of(
                reason, Operation.reading(Operation.Kind.PROVE, "Scan again and compare", reason, seconds), test);
    }
}
