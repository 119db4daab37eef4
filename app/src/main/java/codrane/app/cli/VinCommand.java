package codrane.app.cli;

import codrane.core.pack.Pack;
import codrane.core.vin.VinCheck;
import codrane.core.vin.VinRule;
import java.io.IOException;
import java.util.Locale;
import java.util.Map;

/** {@code vin check VIN [--no-check-digit] [--json]}. */
final class VinCommand {
    private VinCommand() {}

    static int check(Arguments arguments, Output output) throws IOException {
        arguments.take(2);
        boolean noCheckDigit = arguments.flag("--no-check-digit");
        String typed = arguments.onlyWord("the VIN");
        arguments.end();
        VinRule rule = rule(typed);
        VinCheck check = VinCheck.of(typed, noCheckDigit ? rule.withCheckDigit(false) : rule);
        Map<String, Object> object = Output.object("vin-check");
        object.put("vin", check.vin().map(v -> v.text()).orElse(typed));
        object.put("valid", check.valid());
        object.put("checkDigit", check.checkDigit().name().toLowerCase(Locale.ROOT));
        object.put("reason", check.reason());
        object.put("suggestions", check.suggestions());
        object.put("modelYears", check.modelYears());
        String more = check.suggestions().isEmpty() ? "" : "\nMeant perhaps: " + String.join(", ", check.suggestions());
        output.result(object, (check.valid() ? "valid. " : "not valid. ") + check.reason() + more);
        return check.valid() ? Main.GOOD : Main.FOUND;
    }

    private static VinRule rule(String typed) throws IOException {
        String text = typed.strip().toUpperCase(Locale.ROOT);
        for (Pack pack : PackFiles.valid()) {
            if (text.startsWith(pack.wmi())) return pack.vinRule();
        }
        return VinRule.UNKNOWN_MAKER;
    }
}
