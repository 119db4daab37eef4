package codrane.standin.fault;

import java.time.Duration;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * A fault on demand, as text {@code kind:name=value,name=value}: {@code drop:count=5}, {@code
 * power-loss:module=tail-lift,block=200}. Every kind takes {@code after}, seconds until it begins.
 *
 * @param values by name, numbers as text
 */
public record FaultSpec(Kind kind, Map<String, String> values) {
    /** What can go wrong, with the names that it takes and their values when nothing is said. */
    public enum Kind {
        DROP("frames are lost", "count=1,every=1,id="),
        DELAY("frames come late", "count=1,every=1,id=,ms=50"),
        DUPLICATE("frames come twice", "count=1,every=1,id="),
        PENDING("a module says pending over and over before its next answer", "module=,times=20"),
        WRONG("a module's next answers are wrong", "module=,count=1"),
        SILENT("a module falls silent", "module=,seconds=0"),
        BUS_OFF("a module leaves the bus", "module=,seconds=0"),
        CABLE("the cable is pulled", "seconds=0"),
        WIRELESS("the wireless link is lost", "seconds=10"),
        SAG("the supply voltage sags", "volts=11.8,seconds=20"),
        WORN("a module's live values are off", "module=,percent=30"),
        HEAT("the interface is too hot", "celsius=92"),
        POWER_LOSS("the vehicle loses its power at a block of a download", "module=,block=1,seconds=3");

        private final String words;
        private final String names;

        Kind(String words, String names) {
            this.words = words;
            this.names = names;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        public String words() {
            return words;
        }

        boolean needsModule() {
            return names().containsKey("module");
        }

        /** Values when nothing is said, by name. */
        public Map<String, String> names() {
            Map<String, String> values = new LinkedHashMap<>();
            for (String pair : names.split(",")) {
                String[] sides = pair.split("=", 2);
                values.put(sides[0], sides[1]);
            }
            return values;
        }
    }

    /** What reading a text gave. */
    public sealed interface Parsed {
        record Spec(FaultSpec spec) implements Parsed {}

        /** @param reason what is wrong, as a sentence */
        record Bad(String reason) implements Parsed {}
    }

    public FaultSpec {
        values = Map.copyOf(values);
    }

    public static Parsed parse(String text) {
        String[] parts = text.strip().split(":", 2);
        Optional<Kind> kind = Arrays.stream(Kind.values())
                .filter(k -> k.key().equals(parts[0]))
                .findFirst();
        if (kind.isEmpty())
            return new Parsed.Bad("There is no fault \"" + parts[0] + "\": it is one of " + kinds() + ".");
        Map<String, String> values = kind.get().names();
        values.put("after", "0");
        List<String> pairs = parts.length == 1 || parts[1].isBlank() ? List.of() : List.of(parts[1].split(","));
        for (String pair : pairs) {
            String[] sides = pair.split("=", 2);
            if (sides.length != 2 || !values.containsKey(sides[0].strip()))
                return new Parsed.Bad(
                        "\"" + pair + "\" says nothing to " + parts[0] + ": it takes " + names(kind.get()) + ".");
            values.put(sides[0].strip(), sides[1].strip());
        }
        return checked(new FaultSpec(kind.get(), values));
    }

    private static Parsed checked(FaultSpec spec) {
        for (Map.Entry<String, String> value : spec.values.entrySet()) {
            String name = value.getKey();
            boolean text = name.equals("module");
            boolean hex = name.equals("id");
            boolean good = text
                    || (hex
                            ? value.getValue().matches("[0-9A-Fa-f]{0,8}")
                            : value.getValue().matches("\\d{1,6}(\\.\\d{1,3})?"));
            if (!good) return new Parsed.Bad(name + " is \"" + value.getValue() + "\": a number is needed.");
        }
        if (spec.kind.needsModule() && spec.module().isEmpty())
            return new Parsed.Bad(spec.kind.key() + " needs a module: module=ID.");
        return new Parsed.Spec(spec);
    }

    private static String kinds() {
        return Arrays.stream(Kind.values()).map(Kind::key).collect(Collectors.joining(", "));
    }

    private static String names(Kind kind) {
        return kind.names().keySet().stream().collect(Collectors.joining(", ")) + ", after";
    }

    public String module() {
        return values.getOrDefault("module", "");
    }

    int number(String name) {
        return (int) decimal(name);
    }

    double decimal(String name) {
        return Double.parseDouble(values.get(name));
    }

    Duration seconds(String name) {
        return Duration.ofMillis((long) (decimal(name) * 1000));
    }

    /** Identifier of the frames that are meant, or empty for all. */
    Optional<Integer> id() {
        String id = values.getOrDefault("id", "");
        return id.isEmpty() ? Optional.empty() : Optional.of(Integer.parseUnsignedInt(id, 16));
    }
}
