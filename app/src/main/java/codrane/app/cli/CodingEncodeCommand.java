package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.coding.BlockReading;
import codrane.core.coding.Layout;
import codrane.core.octets.Bytes;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** {@code coding encode PACK MODULE BLOCK HEX key=value… [--json]}: only these settings and the check change. */
@Command(name = "encode", description = "A block of coding with settings changed, and no other bit but its check.")
final class CodingEncodeCommand extends BlockCommand {
    @Parameters(index = "4..*", arity = "1..*", paramLabel = "key=value")
    private List<String> assignments;

    private record Told(String hex, List<Bit> changedBits) {}

    private record Refused(@JsonProperty("class") String kind, String message) {}

    @Override
    public Integer call() throws IOException {
        Layout layout = layout();
        Bytes block = block(layout);
        return switch (layout.encode(values(), block)) {
            case Layout.Encoded.Refused(String reason) -> {
                output().found("coding-encode", new Refused("refused", reason), reason);
                yield Main.FOUND;
            }
            case Layout.Encoded.Block(Bytes written) -> {
                List<Bit> changed = Bit.of(BlockReading.changed(block, written));
                output().result("coding-encode", new Told(written.hex(), changed), written.spaced());
                yield Main.GOOD;
            }
        };
    }

    private Map<String, String> values() {
        Map<String, String> values = new LinkedHashMap<>();
        for (String assignment : assignments) {
            int at = assignment.indexOf('=');
            if (at < 1) throw new UsageException("\"" + InputFile.quoted(assignment) + "\" (expected key=value)");
            if (values.put(assignment.substring(0, at), assignment.substring(at + 1)) != null)
                throw new UsageException("\"" + InputFile.quoted(assignment.substring(0, at)) + "\" is given twice");
        }
        return values;
    }
}
