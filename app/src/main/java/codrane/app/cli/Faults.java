package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.pack.Pack;
import codrane.standin.fault.FaultSpec;
import java.util.ArrayList;
import java.util.List;

/** {@code --fault} of a command. */
final class Faults {
    private Faults() {}

    /** @throws UsageException when one can't be read, or is about a module that the pack does not have */
    static List<FaultSpec> read(List<String> texts, Pack pack) {
        List<FaultSpec> faults = new ArrayList<>();
        for (String text : texts) {
            switch (FaultSpec.parse(text)) {
                case FaultSpec.Parsed.Spec(FaultSpec spec) -> faults.add(ofPack(spec, pack));
                case FaultSpec.Parsed.Bad(String reason) -> throw new UsageException("--fault: " + reason);
            }
        }
        return faults;
    }

    private static FaultSpec ofPack(FaultSpec spec, Pack pack) {
        if (spec.values().containsKey("module") && !pack.modules().containsKey(spec.module()))
            throw new UsageException("--fault: this pack has no module " + InputFile.quoted(spec.module()));
        return spec;
    }
}
