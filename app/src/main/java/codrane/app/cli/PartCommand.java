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
import java.util.Map;
import java.util.Optional;

/**
 * {@code part check PACK MODULE FITTED OFFERED [--vin VIN] [--json]}: whether a replacing part is the right one, by
 * number, VIN lock and model year, and what happens if it is not.
 */
final class PartCommand {
    private PartCommand() {}

    static int check(Arguments arguments, Output output) throws IOException {
        arguments.take(2);
        Optional<String> typed = arguments.option("--vin");
        Pack pack = PackFiles.named(arguments.onlyWord("PACK"));
        String id = arguments.onlyWord("MODULE");
        String fitted = arguments.onlyWord("FITTED");
        String offered = arguments.onlyWord("OFFERED");
        arguments.end();
        PackModule module = pack.modules().get(id);
        if (module == null)
            throw new UsageException("MODULE: \"" + id + "\" (expected one of "
                    + String.join(", ", pack.modules().keySet()) + ")");
        PartCheck check = PartCheck.of(pack, module, fitted, offered, vin(pack, typed), Optional.empty());
        PartNumber.Verdict verdict =
                check.verdict().orElseThrow(() -> new UsageException("OFFERED: a part number is needed"));
        Map<String, Object> object = Output.object("part-check");
        object.put("pack", pack.id());
        object.put("module", module.id());
        object.put("fitted", fitted);
        object.put("offered", offered);
        object.put("verdict", verdict.fit().key());
        object.put("reason", verdict.reason());
        object.put("vinLocked", check.lock() == VinLock.BOUND);
        object.put("vinLock", check.lock().words());
        object.put("usedPart", check.lock().usedPart());
        object.put("modelYear", check.year());
        object.put("modelYearFits", check.yearFits());
        object.put("mayContain", check.contains());
        object.put("ifWrong", check.ifWrong());
        output.result(
                object,
                verdict.reason() + " " + check.lock().words() + " " + check.year() + " If it is the wrong one: "
                        + String.join(" ", check.ifWrong()));
        return check.fits() ? Main.GOOD : Main.FOUND;
    }

    private static Optional<Vin> vin(Pack pack, Optional<String> typed) {
        if (typed.isEmpty()) return Optional.empty();
        VinCheck check = VinCheck.of(typed.get(), pack.vinRule());
        if (check.vin().isEmpty()) throw new UsageException("--vin: " + check.reason());
        return check.vin();
    }
}
