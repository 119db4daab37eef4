package codrane.app.cli;

import codrane.core.coding.BlockReading;
import codrane.core.coding.Field;
import codrane.core.coding.Layout;
import java.io.IOException;
import java.math.BigInteger;
import java.util.List;
import picocli.CommandLine.Command;

/** {@code coding decode PACK MODULE BLOCK HEX [--json]}. */
@Command(name = "decode", description = "What a block of coding holds, setting by setting.")
final class CodingDecodeCommand extends BlockCommand {
    private record FieldTold(String key, String title, Object raw, String value, String unit) {}

    private record CheckTold(String kind, String stored, String computed, boolean valid) {}

    private record Told(
            String pack,
            String module,
            String block,
            List<FieldTold> fields,
            List<Bit> unknownBits,
            List<CheckTold> checks) {}

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
                        new Told(packName(), module(), layout.id(), fields, Bit.of(reading.unknown()), checks),
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
