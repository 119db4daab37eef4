package codrane.core.plan;

import java.util.List;

/**
 * One thing that the plan does.
 *
 * @param module pack id, or empty when the whole vehicle is meant
 * @param needs what must be there first, in words
 * @param seconds expected, from the pack
 * @param prompts what the technician does or sees, in words
 */
public record Operation(
        Kind kind,
        String module,
        String title,
        List<String> reasons,
        List<String> needs,
        List<HoldPoint> holds,
        boolean safeToStopDuring,
        int seconds,
        List<String> prompts) {
    /** Kinds in the order in which a plan has them. */
    public enum Kind {
        SCAN(false),
        BASELINE(false),
        UNLOCK(false),
        PROGRAM(true),
        WRITE_VIN(true),
        WRITE_CODING(true),
        RESET(true),
        CLEAR(true),
        PROVE(false),
        FUNCTION_TEST(false);

        private final boolean writes;

        Kind(boolean writes) {
            this.writes = writes;
        }

        /** Whether it changes anything in the vehicle. */
        public boolean writes() {
            return writes;
        }
    }

    public Operation {
        reasons = List.copyOf(reasons);
        needs = List.copyOf(needs);
        holds = List.copyOf(holds);
        prompts = List.copyOf(prompts);
    }

    /** Names it within its plan, as in forms. */
    public String key() {
        return kind.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-')
                + (module.isEmpty() ? "" : "-" + module);
    }

    /** Clears every fault memory, after faults were written down. */
    static Operation clearing(VehicleFacts facts, String reason) {
        return new Operation(
                Kind.CLEAR,
                "",
                "Clear the faults of all modules",
                List.of(reason),
                List.of("faults recorded"),
                List.of(HoldPoint.FAULTS_RECORDED, HoldPoint.WRITES_RELEASED),
                true,
                facts.pack().modules().size(),
                List.of());
    }

    /** A reading operation without needs. */
    static Operation reading(Kind kind, String title, String reason, int seconds) {
        return new Operation(kind, "", title, List.of(reason), List.of(), List.of(), true, seconds, List.of());
    }
}
