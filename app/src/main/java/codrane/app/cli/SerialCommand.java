package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.part.SerialMask;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** {@code serial check MASK VALUE [--json]}: whether a serial number or licence code has the form of its kind. */
@Command(name = "check", description = "Whether a serial number or licence code has the form of its kind.")
final class SerialCommand extends Asked {
    @Parameters(index = "0", paramLabel = "MASK")
    private String mask;

    @Parameters(index = "1", paramLabel = "VALUE")
    private String value;

    private record Told(
            String mask, String value, boolean valid, String reason, int position, List<String> suggestions) {}

    @Override
    public Integer call() {
        SerialMask.Verdict verdict = SerialMask.parse(mask)
                .orElseThrow(() -> new UsageException("MASK: \"" + InputFile.quoted(mask) + "\" is none"))
                .judge(value);
        Told told = new Told(mask, value, verdict.valid(), verdict.reason(), verdict.position(), verdict.suggestions());
        String offers =
                verdict.suggestions().isEmpty() ? "" : " Perhaps " + String.join(" or ", verdict.suggestions()) + "?";
        output().result("serial-check", told, verdict.reason() + offers);
        return verdict.valid() ? Main.GOOD : Main.FOUND;
    }
}
