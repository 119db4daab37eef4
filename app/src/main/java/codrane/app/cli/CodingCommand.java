package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.coding.BlockReading;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import java.io.IOException;
import java.math.BigInteger;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** What a block of coding is about: {@code coding decode PACK MODULE BLOCK HEX [--json]}. */
@Command(name = "decode", description = "What a block of coding holds, setting by setting.")
class CodingCommand extends Asked {
    @Parameters(index = "0", paramLabel = "PACK")
    private String packName;

    @Parameters(index = "1", paramLabel = "MODULE")
    private String module;

    @Parameters(index = "2", paramLabel = "BLOCK", description = "layout id, as in the pack")
    private String blockId;

    @Parameters(index = "3", paramLabel = "HEX")
    private String hex;

    /** A bit as it is told: byte from 0, bit 7 the most significant. */
    record Bit(
            @com.fasterxml.jackson.annotation.JsonProperty("byte")
            int octet,

            int bit) {
        static List<Bit> of(List<BlockReading.Bit> bits) {
            return bits.stream().map(b -> new Bit(b.octet(), b.bit())).toList();
        }
    }

    private record FieldTold(String key, String title, Object raw, String value, String unit) {}

    private record CheckTold(String kind, String stored, String computed, boolean valid) {}

    private record Told(
            String pack,
            String module,
            String block,
            List<FieldTold> fields,
            List<Bit> unknownBits,
            List<CheckTold> checks) {}

    final Layout layout() throws IOException {
        Pack pack = PackFiles.named(packName);
        if (!pack.modules().containsKey(module))
            throw new UsageException("MODULE: this pack has no \"" + InputFile.quoted(module) + "\"");
        List<String> blocks = pack.module(module).blocks();
        if (!blocks.contains(blockId))
            throw new UsageException("BLOCK: " + module + " has no \"" + InputFile.quoted(blockId) + "\" (it has "
                    + (blocks.isEmpty() ? "none" : String.join(", ", blocks)) + ")");
        return pack.layout(blockId);
    }

    final Bytes block(Layout layout) {
        Bytes block = Hex.octets("HEX", hex);
        if (block.length() != layout.length())
            throw new UsageException(
                    "HEX: " + block.length() + " bytes (the block " + blockId + " has " + layout.length() + ")");
        return block;
    }

    @Override
    public Integer call() throws IOException {
        Layout layout = layout();
        BlockReading reading = BlockReading.of(layout, block(layout));
        List<FieldTold> fields =
                reading.fields().stream().map(f -> told(layout, f)).toList();
        List<CheckTold> checks = reading.checks().stream()
                .map(c -> new CheckTold(
                        c.kind().name().replace('_', '-'),
                        c.stored().hex(),
                        c.computed().hex(),
                        c.valid()))
                .toList();
        StringBuilder text = new StringBuilder();
        reading.fields()
                .forEach(f -> text.append("%s (%s): %s%s%n"
                        .formatted(f.title(), f.key(), f.value(), f.unit().isEmpty() ? "" : " " + f.unit())));
        checks.forEach(c -> text.append(
                "Check %s: %s%n".formatted(c.kind(), c.valid() ? "right" : c.stored() + " is not " + c.computed())));
        text.append("Bits that nobody explains: ").append(reading.unknown().size());
        output().result(
                        "coding-decode",
                        new Told(packName, module, blockId, fields, Bit.of(reading.unknown()), checks),
                        text.toString());
        return checks.stream().allMatch(CheckTold::valid) ? Main.GOOD : Main.FOUND;
    }

    /** A number for what is one, hex for text and digits. */
    private static FieldTold told(Layout layout, BlockReading.Value value) {
        Field.Kind kind = layout.field(value.key()).orElseThrow().kind();
        boolean octets = kind == Field.Kind.TEXT || kind == Field.Kind.BCD;
        return new FieldTold(
                value.key(),
                value.title(),
                octets ? value.raw() : new BigInteger(value.raw()),
                value.value(),
                value.unit());
    }
}
