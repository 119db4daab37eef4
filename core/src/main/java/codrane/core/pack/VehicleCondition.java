package codrane.core.pack;

/** Conditions that a person brings about and a module can check. */
public enum VehicleCondition {
    KEY_ON("the key on"),
    ENGINE_OFF("the engine off"),
    ENGINE_RUNNING("the engine running"),
    DOORS_CLOSED("all doors closed"),
    TAILGATE_CLOSED("the tailgate closed"),
    GEAR_PARK("the gear in park");

    private final String words;

    VehicleCondition(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** As in packs: lower case with dashes. */
    public String key() {
        return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    public static java.util.Optional<VehicleCondition> of(String key) {
        for (VehicleCondition condition : values()) {
            if (condition.key().equals(key)) return java.util.Optional.of(condition);
        }
        return java.util.Optional.empty();
    }
}
