package codrane.core.plan;

import codrane.core.baseline.PutBack;
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
        record Changed(String module, String block, Bytes from, Bytes to) implements Applied {
            /** To be written as all octets of its block. */
            public PutBack chosen() {
                return new PutBack(module, block, PutBack.WHOLE, to.hex(), from.hex());
            }

            /** The same beside what was chosen before in this block. */
            public Changed beside(Layout layout, Bytes chosen) {
                byte[] octets = chosen.toArray();
                for (int i = 0; i < octets.length; i++) if (from.u8(i) != to.u8(i)) octets[i] = (byte) to.u8(i);
                return new Changed(module, block, from, layout.check().apply(Bytes.copyOf(octets)));
            }
        }

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

    /** The module that has the tag. */
    public Optional<PackModule> module(Pack pack) {
        return pack.modules().values().stream().filter(m -> m.tag().equals(tag)).findFirst();
    }

    /** @param at of the byte in its block, from 0 */
    public record Place(Layout layout, int at) {}

    /** Where its byte is; empty when the module's blocks have no such line. */
    public Optional<Place> place(Pack pack, PackModule module) {
        int at = (line - 1) * OCTETS_A_LINE + octet - 1;
        for (Layout layout : pack.blocksOf(module)) {
            if (at < layout.length()) return Optional.of(new Place(layout, at));
            at -= layout.length();
        }
        return Optional.empty();
    }

    /** As it is typed. */
    public String text() {
        return "%s/%02d byte %d: %02X -> %02X".formatted(tag, line, octet, from, to);
    }

    /** @param coding of a module as it was read, by block */
    public Applied apply(Pack pack, Function<String, Map<String, Bytes>> coding) {
        Optional<PackModule> module = module(pack);
        if (module.isEmpty()) return new Applied.Refused("No module of this model has the tag " + tag + ".");
        Map<String, Bytes> held = coding.apply(module.get().id());
        return place(pack, module.get())
                .map(place -> in(pack, module.get(), place.layout(), place.at(), held))
                .orElseGet(() -> new Applied.Refused(module.get().title() + " has no byte " + octet + " in line " + line
                        + ": the instruction is for another layout."));
    }

    private Applied in(Pack pack, PackModule module, Layout layout, int at, Map<String, Bytes> coding) {
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
            case Layout.Encoded.Block(Bytes changed) -> {
                if (changed.u8(at) != to)
                    yield new Applied.Refused("That byte is the check of the block: it is computed, not typed.");
                String vehicle = pack.madeFor().getOrDefault(layout.id(), "");
                if (layout.diff(block, changed).stream().anyMatch(c -> c.key().equals(vehicle)))
                    yield new Applied.Refused("That byte says for which vehicle the block was made: it is no setting.");
                yield new Applied.Changed(module.id(), layout.id(), block, changed);
            }
        };
    }
}
