package codrane.app.cli;

import codrane.core.pack.Pack;
import codrane.core.vin.Vin;
import codrane.core.vin.VinCheck;
import codrane.core.vin.VinRule;
import java.io.IOException;
import java.util.List;
import java.util.Locale;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code vin check VIN [--no-check-digit] [--json]}. */
@Command(name = "check", description = "Judges a VIN.")
final class VinCommand extends Asked {
    @Option(names = "--no-check-digit", description = "position 9 is no check digit")
    private boolean noCheckDigit;

    @Parameters(paramLabel = "VIN")
    private String typed;

    private record Told(
            String vin,
            boolean valid,
            String checkDigit,
            String reason,
            List<String> suggestions,
            List<Integer> modelYears) {}

    @Override
    public Integer call() throws IOException {
        VinRule rule = rule(typed);
        VinCheck check = VinCheck.of(typed, noCheckDigit ? rule.withCheckDigit(false) : rule);
        String more = check.suggestions().isEmpty() ? "" : "\nMeant perhaps: " + String.join(", ", check.suggestions());
        Told told = new Told(
                check.vin().map(Vin::text).orElse(typed),
                check.valid(),
                check.checkDigit().name().toLowerCase(Locale.ROOT),
                check.reason(),
                check.suggestions(),
                check.modelYears());
        output().result("vin-check", told, (check.valid() ? "valid. " : "not valid. ") + check.reason() + more);
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
