package codrane.core.pack;

import java.util.Optional;

/** Where the coding of a replacing part can come from, the surest first. */
public enum CodingSource {
    OLD_MODULE("what was read from the old module"),
    LINE_SHEET("the line sheet of this VIN"),
    VEHICLE_ORDER("what the vehicle order says"),
    NEIGHBOUR("what a neighbouring module knows"),
    REFERENCE("a vehicle of the same model, each gap confirmed by a person");

    private final String words;

    CodingSource(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** As in packs and facts: lower case with dashes. */
    public String key() {
        return YamlMap.dashed(this);
    }

    public static Optional<CodingSource> of(String key) {
        for (CodingSource source : values()) {
            if (source.key().equals(key)) return Optional.of(source);
        }
        return Optional.empty();
    }
}
