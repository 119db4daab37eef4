package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.core.part.PartNumber;
import codrane.core.part.PartNumber.Fit;
import java.io.IOException;
import java.util.Map;

/** {@code part check PACK MODULE FITTED OFFERED [--json]}: whether a replacing part is the right one, by its number. */
final class PartCommand {
    private PartCommand() {}

    static int check(Arguments arguments, Output output) throws IOException {
        arguments.take(2);
        Pack pack = PackFiles.named(arguments.onlyWord("PACK"));
        String id = arguments.onlyWord("MODULE");
        String fitted = arguments.onlyWord("FITTED");
        String offered = arguments.onlyWord("OFFERED");
        arguments.end();
        PackModule module = pack.modules().get(id);
        if (module == null)
            throw new UsageException("MODULE: \"" + id + "\" (expected one of "
                    + String.join(", ", pack.modules().keySet()) + ")");
        PartNumber.Verdict verdict =
                PartNumber.compare(fitted, offered, module.parts().numbering());
        boolean bound = !module.traits().vinRewritable();
        String lock = bound
                ? "It is bound to the first VIN written into it: only a new part can be used."
                : "Its VIN can be written anew.";
        Map<String, Object> object = Output.object("part-check");
        object.put("pack", pack.id());
        object.put("module", module.id());
        object.put("fitted", fitted);
        object.put("offered", offered);
        object.put("verdict", verdict.fit().key());
        object.put("reason", verdict.reason());
        object.put("vinLocked", bound);
        object.put("vinLock", lock);
        output.result(object, verdict.reason() + " " + lock);
        boolean good =
                verdict.fit() == Fit.SAME || verdict.fit() == Fit.ACCEPTED_SUFFIX || verdict.fit() == Fit.SUCCESSOR;
        return good ? Main.GOOD : Main.FOUND;
    }
}
