package codrane.core.plan;

final class RecordFaultsFirst implements Rule {
    private static final int SECONDS_PER_MODULE = 1;

    @Override
    public String id() {
        return "record-faults-first";
    }

    @Override
    public Judgement judge(VehicleFacts facts) {
        String reason = "Faults are written down before anything can clear them.";
        int seconds = facts.pack().modules().size() * SECONDS_PER_MODULE;
        return Judgement.Applies.of(
                reason, Operation.reading(Operation.Kind.SCAN, "Scan all modules", reason, seconds));
    }
}
