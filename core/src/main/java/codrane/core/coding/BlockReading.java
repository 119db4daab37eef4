package codrane.core.coding;

import codrane.core.octets.Bytes;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/**
 * One block read bit by bit: what each field holds, which bits no field explains, and whether its check fits.
 *
 * @param unknown bits that are set and that neither a field nor the check explains
 */
public record BlockReading(List<Value> fields, List<Bit> unknown, List<Check> checks) {
    /**
     * @param raw as an unsigned number for fields of up to 64 bits, else as hex
     * @param value in words, without the unit
     */
    public record Value(String key, String title, String raw, String value, String unit) {}

    /**
     * One bit.
     *
     * @param octet from 0
     * @param bit 7 (most significant) to 0
     */
    public record Bit(int octet, int bit) {}

    /** The check as it stands in the block, and as it would be right. */
    public record Check(BlockCheck.Kind kind, Bytes stored, Bytes computed) {
        public boolean valid() {
            return stored.equals(computed);
        }
    }

    /** @param block as long as the layout says */
    public static BlockReading of(Layout layout, Bytes block) {
        List<Value> fields = layout.fields().stream().map(f -> value(f, block)).toList();
        BlockCheck check = layout.check();
        List<Check> checks = check.kind() == BlockCheck.Kind.NONE
                ? List.of()
                : List.of(new Check(check.kind(), standing(check, block), standing(check, check.apply(block))));
        return new BlockReading(fields, unknown(layout, block), checks);
    }

    private static Bytes standing(BlockCheck check, Bytes block) {
        return block.slice(check.at(), check.kind().octets());
    }

    private static Value value(Field field, Bytes block) {
        boolean octets = field.kind() == Field.Kind.TEXT || field.kind() == Field.Kind.BCD;
        String raw =
                octets ? block.slice(field.at() / 8, field.bits() / 8).hex() : Long.toUnsignedString(field.raw(block));
        String unit = field.scale().unit();
        String words = field.read(block);
        String value = !unit.isEmpty() && words.endsWith(" " + unit)
                ? words.substring(0, words.length() - unit.length() - 1)
                : words;
        return new Value(field.key(), field.title(), raw, value, unit);
    }

    /** Bits that a setting or the check explains, by position. */
    public static BitSet known(Layout layout) {
        BitSet known = new BitSet();
        layout.fields().forEach(f -> known.set(f.at(), f.end()));
        BlockCheck check = layout.check();
        known.set(check.at() * 8, (check.at() + check.kind().octets()) * 8);
        return known;
    }

    /** Bits that differ between two blocks of a layout, and that neither a setting nor the check explains. */
    public static List<Bit> unexplained(Layout layout, Bytes from, Bytes to) {
        BitSet known = known(layout);
        return changed(from, to).stream()
                .filter(b -> !known.get(b.octet() * 8 + 7 - b.bit()))
                .toList();
    }

    private static List<Bit> unknown(Layout layout, Bytes block) {
        BitSet known = known(layout);
        List<Bit> unknown = new ArrayList<>();
        for (int i = 0; i < block.length() * 8; i++)
            if (!known.get(i) && (block.u8(i / 8) >> (7 - i % 8) & 1) == 1) unknown.add(new Bit(i / 8, 7 - i % 8));
        return unknown;
    }

    /** Bits that differ between two blocks of the same length. */
    public static List<Bit> changed(Bytes from, Bytes to) {
        List<Bit> changed = new ArrayList<>();
        for (int i = 0; i < from.length() * 8; i++) {
            int differ = from.u8(i / 8) ^ to.u8(i / 8);
            if ((differ >> (7 - i % 8) & 1) == 1) changed.add(new Bit(i / 8, 7 - i % 8));
        }
        return changed;
    }
}
