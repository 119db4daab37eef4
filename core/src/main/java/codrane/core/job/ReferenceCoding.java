package codrane.core.job;

import static java.util.Objects.requireNonNull;

import codrane.core.baseline.BaselineFile;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.order.OrderCoding;
import codrane.core.pack.Feature.Setting;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.Operation;
import codrane.core.scan.CodingState;
import codrane.core.text.Words;
import codrane.core.vin.Vin;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * A module's coding put together from what is known of it elsewhere, when its old part tells nothing and the maker has no
 * sheet of it: this vehicle's own earlier readings first, then other vehicles of the model, then as it was built. Where
 * these disagree is a gap, and a person says.
 *
 * @param readings of the module, of this vehicle before the job or of others of the model
 * @param lines every setting of the module, in the pack's order
 */
public record ReferenceCoding(PackModule module, int readings, List<Line> lines) {
    private static final String AS_BUILT = "as built";

    /** @param source where the value stands so, in words */
    public record Option(String value, String source) {}

    /**
     * @param options one when all sources agree; the most frequent first
     * @param judged what a person said
     */
    public record Line(Layout layout, Field field, List<Option> options, Optional<String> judged) {
        public String key() {
            return layout.id() + "/" + field.key();
        }

        /** Whether a person has to say. */
        public boolean gap() {
            return options.size() > 1;
        }

        Optional<String> value() {
            return gap() ? judged : Optional.of(options.getFirst().value());
        }
    }

    /** The module's settings as one vehicle held them; its software may not know all of them. */
    private record Held(Vin vin, String takenAt, Map<Setting, String> values) {
        Optional<String> read(Layout layout, Field field) {
            return Optional.ofNullable(values.get(new Setting(layout.id(), field.key())));
        }
    }

    public ReferenceCoding {
        lines = List.copyOf(lines);
    }

    /** Whether an operation writes what is put together so. */
    static boolean writes(Operation operation) {
        return operation.kind() == Operation.Kind.WRITE_CODING
                && operation.holds().contains(HoldPoint.GAPS_CONFIRMED)
                && !operation.holds().contains(HoldPoint.SHEET_CHECKED);
    }

    /** Empty when the plan writes none. */
    public static Optional<ReferenceCoding> of(JobState state) {
        return state.once("coding from a reference", ReferenceCoding::gather);
    }

    private static Optional<ReferenceCoding> gather(JobState state) {
        return state.writes().stream()
                .filter(ReferenceCoding::writes)
                .findFirst()
                .map(o -> gather(state, state.pack().module(o.module())));
    }

    private static ReferenceCoding gather(JobState state, PackModule module) {
        List<Held> held = held(state, module);
        Map<Setting, String> ordered = ordered(state);
        List<Line> lines = new ArrayList<>();
        for (Layout layout : state.packWritten().blocksOf(module)) {
            for (Field field : layout.fields()) {
                if (field.key().equals(state.pack().madeFor().get(layout.id()))) continue;
                String key = layout.id() + "/" + field.key();
                lines.add(new Line(
                        layout,
                        field,
                        Optional.ofNullable(ordered.get(new Setting(layout.id(), field.key())))
                                .map(value -> layout.worded(field.key(), value))
                                .filter(value -> writable(layout, field, value))
                                .map(value -> List.of(new Option(value, "the vehicle order")))
                                .orElseGet(() -> options(state, layout, field, held)),
                        Optional.ofNullable(state.prepared().typed().gaps().get(key))));
            }
        }
        return new ReferenceCoding(module, held.size(), lines);
    }

    /**
     * Only modules of which every block was read, and made for the vehicle that it was read from: a block without a mark is
     * no better than those beside it.
     */
    private static List<Held> held(JobState state, PackModule module) {
        List<Held> held = new ArrayList<>();
        for (BaselineFile file : state.baselined().sources().get())
            file.module(module.id()).ifPresent(m -> {
                Map<String, Bytes> blocks = new LinkedHashMap<>();
                m.coding().forEach(block -> blocks.put(block.id(), block.raw()));
                Vin vin = new Vin(file.vin());
                boolean own = vin.text().equals(m.identification().getOrDefault(Ident.VIN.key(), vin.text()));
                Pack pack =
                        state.pack().as(Map.of(module.id(), m.identification().getOrDefault(Ident.SOFTWARE.key(), "")));
                if (own && CodingState.of(pack, module, blocks, vin) == CodingState.AGREES)
                    held.add(new Held(vin, file.takenAt(), values(pack.blocksOf(module), blocks)));
            });
        return held;
    }

    private static Map<Setting, String> values(List<Layout> layouts, Map<String, Bytes> blocks) {
        Map<Setting, String> values = new LinkedHashMap<>();
        for (Layout layout : layouts)
            layout.decode(requireNonNull(blocks.get(layout.id())))
                    .forEach((field, value) -> values.put(new Setting(layout.id(), field), value));
        return values;
    }

    private static List<Option> options(JobState state, Layout layout, Field field, List<Held> held) {
        Optional<Held> own =
                held.stream().filter(h -> h.vin().equals(state.job().vin())).findFirst();
        Optional<String> ownValue =
                own.flatMap(h -> h.read(layout, field)).filter(value -> writable(layout, field, value));
        if (ownValue.isPresent())
            return List.of(new Option(
                    ownValue.get(),
                    "this vehicle, "
                            + state.now()
                                    .dayAndTime(Instant.parse(own.orElseThrow().takenAt()))));
        String built = layout.worded(
                field.key(), layout.factory().getOrDefault(field.key(), field.read(Bytes.filled(layout.length(), 0))));
        Map<String, Integer> counts = new LinkedHashMap<>();
        for (Held other : held) other.read(layout, field).ifPresent(value -> counts.merge(value, 1, Integer::sum));
        List<Option> options = new ArrayList<>();
        counts.entrySet().stream()
                .filter(e -> writable(layout, field, e.getKey()))
                .sorted(Map.Entry.<String, Integer>comparingByValue().reversed())
                .forEach(e -> options.add(new Option(
                        e.getKey(),
                        e.getValue() + " of " + Words.count(held.size(), "other")
                                + (e.getKey().equals(built) ? ", as built" : ""))));
        if (!counts.containsKey(built)) options.add(new Option(built, AS_BUILT));
        return List.copyOf(options);
    }

    /** What follows from the order of this vehicle, as far as it is known. */
    private static Map<Setting, String> ordered(JobState state) {
        List<String> codes = DerivedCoding.codes(state);
        return codes.isEmpty()
                ? Map.of()
                : OrderCoding.derive(state.pack().equipment().order().orElseThrow(), codes);
    }

    private static boolean writable(Layout layout, Field field, String value) {
        return field.write(Bytes.filled(layout.length(), 0), value).isPresent();
    }

    public List<Line> gaps() {
        return lines.stream().filter(Line::gap).toList();
    }

    /** Gaps that nobody judged yet. */
    public List<Line> left() {
        return lines.stream().filter(l -> l.value().isEmpty()).toList();
    }

    /** Whether anything but how it was built is known. */
    public boolean known() {
        return readings > 0;
    }

    /** What keeps it from being written, as a sentence. */
    public Optional<String> missing() {
        if (!known())
            return Optional.of("No other vehicle of this model was read here with its own " + module.lowerTitle()
                    + ": read one first, as a job of its own.");
        int left = left().size();
        return left == 0
                ? Optional.empty()
                : Optional.of(Words.count(left, "setting") + " of the " + module.lowerTitle()
                        + (left == 1 ? " is" : " are") + " not judged yet.");
    }

    /** What would be written, as a person confirms it: octets by layout; empty while something is missing. */
    public String written(JobState state) {
        return blocks(state).orElse(Map.of()).entrySet().stream()
                .map(block -> block.getKey() + "=" + block.getValue().hex())
                .collect(Collectors.joining(";"));
    }

    /**
     * What the plan writes: once its run has begun exactly what was confirmed before it, whatever was read or kept since.
     */
    static Optional<Map<String, Bytes>> toWrite(JobState state) {
        Optional<String> confirmed = state.personHold(HoldPoint.GAPS_CONFIRMED)
                .filter(note -> state.run().isPresent())
                .flatMap(HoldNote::about);
        return confirmed.isPresent()
                ? confirmed.map(ReferenceCoding::parsed)
                : of(state).flatMap(coding -> coding.blocks(state));
    }

    private static Map<String, Bytes> parsed(String written) {
        Map<String, Bytes> blocks = new LinkedHashMap<>();
        for (String block : written.split(";")) {
            String[] parts = block.split("=", 2);
            blocks.put(parts[0], Bytes.parse(parts[1]));
        }
        return blocks;
    }

    /** All blocks by layout; empty while something is missing. */
    Optional<Map<String, Bytes>> blocks(JobState state) {
        if (missing().isPresent()) return Optional.empty();
        Map<String, Bytes> blocks = new LinkedHashMap<>();
        for (Layout layout : state.packWritten().blocksOf(module)) {
            Map<String, String> values = new LinkedHashMap<>();
            Optional.ofNullable(state.pack().madeFor().get(layout.id()))
                    .ifPresent(key -> values.put(key, state.job().vin().end()));
            for (Line line : lines)
                if (line.layout().id().equals(layout.id()))
                    values.put(line.field().key(), line.value().orElseThrow());
            Layout.Encoded encoded = layout.encode(values, Bytes.filled(layout.length(), 0));
            if (!(encoded instanceof Layout.Encoded.Block(Bytes block))) return Optional.empty();
            blocks.put(layout.id(), block);
        }
        return Optional.of(blocks);
    }
}
