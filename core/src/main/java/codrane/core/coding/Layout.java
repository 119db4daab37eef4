package codrane.core.coding;

import codrane.core.octets.Bytes;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What the bits of one coding block mean.
 *
 * @param id key within the pack
 * @param dataIdentifier under which the module keeps the block, 0..65535
 * @param length octets, 1..4095
 * @param factory values of a vehicle as built, by field key; other bits are zero
 */
public record Layout(
        String id,
        String title,
        int dataIdentifier,
        int length,
        List<Field> fields,
        BlockCheck check,
        Map<String, String> factory) {
    public Layout {
        fields = List.copyOf(fields);
        factory = Map.copyOf(factory);
        if (length < 1 || length > 4095)
            throw new IllegalArgumentException("length: " + length + " (expected 1..4095)");
    }

    /** A setting that differs between two blocks, or a bit that none explains. */
    public record Change(String key, String title, String from, String to) {}

    /** What encoding gave: the new block, or which assignment could not be made. */
    public sealed interface Encoded {
        record Block(Bytes octets) implements Encoded {}

        record Refused(String reason) implements Encoded {}
    }

    public boolean isBlank(Bytes block) {
        return block.allAre(0xFF) || block.allAre(0);
    }

    public Optional<Field> field(String key) {
        return fields.stream().filter(f -> f.key().equals(key)).findFirst();
    }

    /** A setting, or a bit that none explains. */
    public Optional<Field> named(String key) {
        return field(key).or(() -> LooseBit.of(key).flatMap(bit -> bit.in(this)));
    }

    /** A value as it is read: a number with its unit, however it was typed. */
    public String worded(String key, String value) {
        return field(key)
                .filter(f -> f.kind() == Field.Kind.SCALED)
                .flatMap(f -> f.number(value).map(f::worded))
                .orElse(value);
    }

    /** Values in words, in the layout's order. */
    public Map<String, String> decode(Bytes block) {
        Map<String, String> values = new LinkedHashMap<>();
        fields.forEach(f -> values.put(f.key(), f.read(block)));
        return values;
    }

    /** Changes only the named fields and the check. */
    public Encoded encode(Map<String, String> values, Bytes original) {
        if (original.length() != length) {
            return new Encoded.Refused("The block has " + original.length() + " bytes, the layout " + length + ".");
        }
        Bytes block = original;
        for (Map.Entry<String, String> value : values.entrySet()) {
            Optional<Field> field = named(value.getKey());
            if (field.isEmpty()) return new Encoded.Refused("The layout has no setting " + value.getKey() + ".");
            Optional<Bytes> written = field.get().write(block, value.getValue());
            if (written.isEmpty()) {
                return new Encoded.Refused(field.get().title() + " can't be " + value.getValue() + "."
                        + field.get().hint(value.getValue()));
            }
            block = written.get();
        }
        return new Encoded.Block(check.apply(block));
    }

    public List<Change> diff(Bytes from, Bytes to) {
        List<Change> changes = new ArrayList<>();
        for (Field field : fields) {
            String was = field.read(from);
            String is = field.read(to);
            if (!was.equals(is)) changes.add(new Change(field.key(), field.title(), was, is));
        }
        for (BlockReading.Bit bit : BlockReading.unexplained(this, from, to)) {
            LooseBit loose = new LooseBit(bit.octet(), bit.bit());
            loose.in(this).ifPresent(f -> changes.add(new Change(f.key(), f.title(), f.read(from), f.read(to))));
        }
        return changes;
    }
}
