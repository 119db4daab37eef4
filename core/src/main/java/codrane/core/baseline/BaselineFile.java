package codrane.core.baseline;

import codrane.core.octets.Bytes;
import codrane.core.scan.ObdReading;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A baseline as it is read back from its file.
 *
 * @param takenAt instant as text, UTC
 * @param key position while it was read: off, on, running or unknown
 * @param modules in the file's order
 * @param order codes of the vehicle order; absent when it was not told
 * @param obd legislated diagnostics, one for each module that takes part
 */
public record BaselineFile(
        String vin,
        String pack,
        String takenAt,
        String key,
        List<Module> modules,
        List<ObdReading> obd,
        Optional<String> order) {
    static final String SCHEMA = "codrane.baseline/1";
    private static final int MOST_MODULES = 256;

    /**
     * @param identification text by what it is
     * @param faultsRead whether the fault memory could be read
     */
    public record Module(
            String id,
            String presence,
            Map<String, String> identification,
            List<Block> coding,
            List<StoredFault> faults,
            boolean faultsRead,
            List<Measured> live,
            List<Measured> adaptations) {
        public Module {
            live = List.copyOf(live);
            adaptations = List.copyOf(adaptations);
            identification = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(identification));
            coding = List.copyOf(coding);
            faults = List.copyOf(faults);
        }
    }

    /** @param values labels by field, none when the block's length was not the layout's */
    public record Block(String id, Bytes raw, Map<String, String> values) {
        public Block {
            values = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(values));
        }
    }

    /** @param value without its unit; empty when the octets could not be read as a number */
    public record Measured(String key, String title, Bytes raw, String value, String unit) {
        /** With its unit, for people. */
        public String shown() {
            return value.isEmpty() ? raw.hex() : value + " " + unit;
        }
    }

    /** @param status octet, 0..255 */
    public record StoredFault(String code, int status, String title) {}

    /** What reading a tree gave. */
    public sealed interface Read {
        record File(BaselineFile baseline) implements Read {}

        /** @param reason as a sentence */
        record Bad(String reason) implements Read {}
    }

    public BaselineFile {
        modules = List.copyOf(modules);
        obd = List.copyOf(obd);
    }

    private static ObdReading obd(Node in) {
        return new ObdReading(
                in.number("address"),
                in.has("vin") ? Optional.of(in.text("vin")) : Optional.empty(),
                in.texts("calibrations"),
                in.texts("verificationNumbers"),
                in.texts("stored"),
                in.texts("pending"),
                in.texts("permanent"),
                in.flag("lampOn"));
    }

    /** @param tree of maps, lists, text, integers and booleans, as JSON was parsed */
    public static Read read(Object tree) {
        try {
            Node root = new Node("the baseline", tree);
            if (!root.text("schema").equals(SCHEMA))
                return new Read.Bad("This is no baseline: its schema is not " + SCHEMA + ".");
            List<Node> modules = root.list("modules");
            if (modules.size() > MOST_MODULES) return new Read.Bad("It has more than " + MOST_MODULES + " modules.");
            return new Read.File(new BaselineFile(
                    root.text("vin"),
                    root.child("pack").text("id"),
                    root.text("takenAt"),
                    root.has("key") ? root.text("key") : "unknown",
                    modules.stream().map(BaselineFile::module).toList(),
                    root.has("obd")
                            ? root.list("obd").stream().map(BaselineFile::obd).toList()
                            : List.of(),
                    root.has("order") ? Optional.of(root.text("order")) : Optional.empty()));
        } catch (BadTree e) {
            return new Read.Bad(e.sentence);
        }
    }

    private static Module module(Node in) {
        Map<String, String> identification = new LinkedHashMap<>();
        Node all = in.child("identification");
        for (String key : all.keys()) identification.put(key, shown(all.child(key)));
        return new Module(
                in.text("module"),
                in.text("presence"),
                identification,
                in.list("coding").stream().map(BaselineFile::block).toList(),
                in.list("faults").stream()
                        .map(f -> new StoredFault(f.text("code"), f.number("status"), f.text("title")))
                        .toList(),
                in.flag("faultsRead"),
                measured(in, "live"),
                measured(in, "adaptations"));
    }

    /** Baselines from before these were read have none. */
    private static List<Measured> measured(Node in, String key) {
        if (!in.has(key)) return List.of();
        return in.list(key).stream()
                .map(m -> new Measured(
                        m.text("key"),
                        m.text("title"),
                        m.octets("raw"),
                        m.has("value") ? m.text("value") : "",
                        m.text("unit")))
                .toList();
    }

    /** Readable text as it is, other octets as hex. */
    private static String shown(Node labelled) {
        String text = labelled.text("text");
        boolean readable = !text.isEmpty() && text.chars().allMatch(c -> c >= ' ' && c < 0x7F);
        return readable ? text : labelled.text("raw");
    }

    private static Block block(Node in) {
        Map<String, String> values = new LinkedHashMap<>();
        if (in.has("values")) {
            Node all = in.child("values");
            for (String key : all.keys()) values.put(key, all.text(key));
        }
        return new Block(in.text("block"), in.octets("raw"), values);
    }

    public Optional<Module> module(String id) {
        return modules.stream().filter(m -> m.id().equals(id)).findFirst();
    }

    private static final class BadTree extends RuntimeException {
        private final String sentence;

        BadTree(String sentence) {
            super(null, null, false, false);
            this.sentence = sentence;
        }
    }

    /** One place in the tree, that knows where it is. */
    private record Node(String where, Object value) {
        private Object get(String key) {
            if (!(value instanceof Map<?, ?> map) || !map.containsKey(key))
                throw new BadTree(where + " has no " + key + ".");
            return map.get(key);
        }

        boolean has(String key) {
            return value instanceof Map<?, ?> map && map.containsKey(key);
        }

        Node child(String key) {
            return new Node(key + " of " + where, get(key));
        }

        List<String> keys() {
            if (!(value instanceof Map<?, ?> map)) throw new BadTree(where + " is no object.");
            return map.keySet().stream().map(String::valueOf).sorted().toList();
        }

        String text(String key) {
            if (get(key) instanceof String text) return text;
            throw new BadTree(key + " of " + where + " is no text.");
        }

        int number(String key) {
            if (get(key) instanceof Integer number) return number;
            throw new BadTree(key + " of " + where + " is no number.");
        }

        boolean flag(String key) {
            if (get(key) instanceof Boolean flag) return flag;
            throw new BadTree(key + " of " + where + " is neither true nor false.");
        }

        Bytes octets(String key) {
            try {
                return Bytes.parse(text(key));
            } catch (IllegalArgumentException e) {
                throw new BadTree(key + " of " + where + " is no row of hex octets.");
            }
        }

        List<String> texts(String key) {
            if (!(get(key) instanceof List<?> items)) throw new BadTree(key + " of " + where + " is no list.");
            List<String> texts = new ArrayList<>();
            for (Object item : items) {
                if (!(item instanceof String text)) throw new BadTree("An item of " + key + " is no text.");
                texts.add(text);
            }
            return texts;
        }

        List<Node> list(String key) {
            if (!(get(key) instanceof List<?> items)) throw new BadTree(key + " of " + where + " is no list.");
            List<Node> nodes = new ArrayList<>();
            for (Object item : items) nodes.add(new Node("item " + (nodes.size() + 1) + " of " + key, item));
            return nodes;
        }
    }
}
