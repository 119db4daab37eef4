package codrane.core.plan;

import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One octet of one line of a module's coding, from what to what: {@code BOD/07 octet 2: 5C -> 4C}. Lines are counted
 * through the module's blocks in pack order, eight octets each, from 1.
 *
 * @param tag of the module
 * @param line 1..255
 * @param octet 1..8
 * @param from as the instruction says it is before, 0..255
 * @param to 0..255
 */
public record LineInstruction(String tag, int line, int octet, int from, int to) {
    private static final int OCTETS_A_LINE = 8;
    private static final Pattern FORM = Pattern.compile(
            "([A-Z]{3})/(\\d{1,3}) +(?:byte|octet) +([1-8]) *: *([0-9A-F]{2}) *(?:->|→|to) *([0-9A-F]{2})",
            Pattern.CASE_INSENSITIVE);

    /** What became of the text. */
    public sealed interface Read {
        record Instruction(LineInstruction instruction) implements Read {}

        record Wrong(String sentence) implements Read {}
    }

    /** What became of the block. */
    public sealed interface Applied {
        /** @param to only the octet and the block's check differ from {@code from} */
        record Changed(String module, String block, Bytes from, Bytes to) implements Applied {}

        record Refused(String sentence) implements Applied {}
    }

    public static Read read(String text) {
        Matcher matcher = FORM.matcher(text.strip());
        if (!matcher.matches())
            return new Read.Wrong("Type it like \"BOD/07 byte 2: 5C -> 4C\": tag, line, byte 1 to 8, from, to.");
        int line = Integer.parseInt(matcher.group(2));
        if (line < 1 || line > 255) return new Read.Wrong("Line " + line + ": lines go from 1 to 255.");
        return new Read.Instruction(new LineInstruction(
                matcher.group(1).toUpperCase(java.util.Locale.ROOT),
                line,
                Integer.parseInt(matcher.group(3)),
                Integer.parseInt(matcher.group(4), 16),
                Integer.parseInt(matcher.group(5), 16)));
    }

    /**
     * Where a byte of a block stands, as lines are counted: {@code BOD/03 byte 4}.
     *
     * @param index of the byte within its block, from 0
     */
    public static String place(Pack pack, PackModule module, String block, int index) {
        int at = index;
        for (Layout layout : pack.blocksOf(module)) {
            if (layout.id().equals(block)) break;
            at += layout.length();
        }
        return "%s/%02d byte %d".formatted(module.tag(), at / OCTETS_A_LINE + 1, at % OCTETS_A_LINE + 1);
    }

    /** @param coding of a module as it was read, by block */
    public Applied apply(Pack pack, Function<String, Map<String, Bytes>> coding) {
        Optional<PackModule> module = pack.modules().values().stream()
                .filter(m -> m.tag().equals(tag))
                .findFirst();
        if (module.isEmpty()) return new Applied.Refused("No module of this model has the tag " + tag + ".");
        int at = (line - 1) * OCTETS_A_LINE + octet - 1;
        for (Layout layout : pack.blocksOf(module.get())) {
            if (at < layout.length())
                return in(module.get(), layout, at, coding.apply(module.get().id()));
            at -= layout.length();
        }
        return new Applied.Refused(module.get().title() + " has no byte " + octet + " in line " + line
                + ": the instruction is for another layout.");
    }

    private Applied in(PackModule module, Layout layout, int at, Map<String, Bytes> coding) {
        Bytes block = coding.get(layout.id());
        if (block == null || block.length() != layout.length())
            return new Applied.Refused(layout.title() + " was not read as the pack describes it: scan again.");
        int now = block.u8(at);
        if (now != from)
            return new Applied.Refused(("%s byte %d is %02X, and the instruction says %02X: it is for another layout,"
                            + " or somebody changed it already.")
                    .formatted("%s/%02d".formatted(tag, line), octet, now, from));
        byte[] octets = block.toArray();
        octets[at] = (byte) to;
        return switch (layout.encode(Map.of(), Bytes.copyOf(octets))) {
            case Layout.Encoded.Refused(String reason) -> new Applied.Refused(reason);
            case Layout.Encoded.Block(Bytes changed) ->
                changed.u8(at) != to
                        ? new Applied.Refused("That byte is the check of the block: it is computed, not typed.")
                        : new Applied.Changed(module.id(), layout.id(), block, changed);
        };
    }
}
