package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.pack.VinLock;
import codrane.core.part.PartNumber;
import codrane.core.plan.PartCheck;
import codrane.core.vin.Vin;
import codrane.core.vin.VinCheck;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/**
 * {@code part check PACK MODULE FITTED OFFERED [--vin VIN] [--json]}: whether a replacing part is the right one, by
 * number, VIN lock and model year, and what happens if it is not.
 */
@Command(name = "check", description = "Whether a replacing part is the right one.")
final class PartCommand extends Asked {
    @Parameters(index = "0", paramLabel = "PACK")
    private String packName;

    @Parameters(index = "1", paramLabel = "MODULE")
    private String moduleName;

    @Parameters(index = "2", paramLabel = "FITTED", description = "the number of the part that is fitted")
    private String fitted;

    @Parameters(index = "3", paramLabel = "OFFERED", description = "the number of the replacing part")
    private String offered;

    @Option(names = "--vin", paramLabel = "VIN", description = "the vehicle's; its model year is judged")
    private Optional<String> typed = Optional.empty();

    private record Told(
            String pack,
            String module,
            String fitted,
            String offered,
            String verdict,
            String reason,
            boolean vinLocked,
            String vinLock,
            String usedPart,
            String modelYear,
            boolean modelYearFits,
            List<String> mayContain,
            List<String> ifWrong) {}

    @Override
    public Integer call() throws IOException {
        Pack pack = PackFiles.named(packName);
        PackModule module = pack.modules().get(moduleName);
        if (module == null)
            throw new UsageException("MODULE: \"" + InputFile.quoted(moduleName) + "\" (expected one of "
                    + String.join(", ", pack.modules().keySet()) + ")");
        PartCheck check = PartCheck.of(pack, module, fitted, offered, vin(pack), Optional.empty());
        PartNumber.Verdict verdict =
                check.verdict().orElseThrow(() -> new UsageException("OFFERED: a part number is needed"));
        Told told = new Told(
                pack.id(),
                module.id(),
                fitted,
                offered,
                verdict.fit().key(),
                verdict.reason(),
                check.lock() == VinLock.BOUND,
                check.lock().words(),
                check.lock().usedPart(),
                check.year(),
                check.yearFits(),
                check.contains(),
                check.ifWrong());
        String text = verdict.reason() + " " + check.lock().words() + " " + check.year() + " If it is the wrong one: "
                + String.join(" ", check.ifWrong());
        output().result("part-check", told, text);
        return check.fits() ? Main.GOOD : Main.FOUND;
    }

    private Optional<Vin> vin(Pack pack) {
        if (typed.isEmpty()) return Optional.empty();
        VinCheck check = VinCheck.of(typed.get(), pack.vinRule());
        if (check.vin().isEmpty()) throw new UsageException("--vin: " + check.reason());
        return check.vin();
    }
}
