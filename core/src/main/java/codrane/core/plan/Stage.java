package codrane.core.plan;

import java.util.Optional;

/** The eleven stages of a job, in order. */
public enum Stage {
    INTAKE("Intake"),
    BENCH("Bench"),
    IDENTIFY("Identify"),
    UNLOCK("Unlock"),
    BASELINE("Baseline"),
    DECIDE("Decide"),
    PREPARE("Prepare"),
    RUN("Run"),
    SETTLE("Settle"),
    PROVE("Prove"),
    RECORD("Record");

    private final String title;

    Stage(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }

    /** 1..11, as on the rail. */
    public int number() {
        return java.util.List.of(values()).indexOf(this) + 1;
    }

    /** As in addresses: lower case. */
    public String key() {
        return title.toLowerCase(java.util.Locale.ROOT);
    }

    public static Optional<Stage> of(String key) {
        return java.util.Arrays.stream(values())
                .filter(s -> s.key().equals(key))
                .findFirst();
    }
}
