package codrane.core.plan;

final class BaselineBeforeWriting implements Rule {
    private static final int SECONDS_PER_MODULE = 1;

    @Override
    public String id() {
        return "baseline-before-writing";
    }

    @Override
    public Judgement judge(VehicleFacts facts) {
        String reason = facts.kind() == JobKind.BASELINE_ONLY
                ? "This job is the baseline."
                : "What a write could lose is stored first.";
        int seconds = facts.pack().modules().size() * SECONDS_PER_MODULE;
        return Judgement.Applies.of(
                reason, Operation.reading(Operation.Kind.BASELINE, "Store a baseline", reason, seconds));
    }
}
