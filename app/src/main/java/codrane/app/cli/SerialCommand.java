package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.part.SerialMask;
import java.util.Map;

/** {@code serial check MASK VALUE [--json]}: whether a serial number or licence code has the form of its kind. */
final class SerialCommand {
    private SerialCommand() {}

    static int check(Arguments arguments, Output output) {
        arguments.take(2);
        String mask = arguments.onlyWord("MASK");
        String value = arguments.onlyWord("VALUE");
        arguments.end();
        SerialMask.Verdict verdict = SerialMask.parse(mask)
                .orElseThrow(() -> new UsageException("MASK: \"" + mask + "\" is none"))
                .judge(value);
        Map<String, Object> object = Output.object("serial-check");
        object.put("mask", mask);
        object.put("value", value);
        object.put("valid", verdict.valid());
        object.put("reason", verdict.reason());
        object.put("position", verdict.position());
        object.put("suggestions", verdict.suggestions());
        String offers =
                verdict.suggestions().isEmpty() ? "" : " Perhaps " + String.join(" or ", verdict.suggestions()) + "?";
        output.result(object, verdict.reason() + offers);
        return verdict.valid() ? Main.GOOD : Main.FOUND;
    }
}
