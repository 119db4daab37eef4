package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.FileInModule;
import codrane.core.calibration.ReadResult;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import codrane.standin.SimulatedRun;
import codrane.standin.fault.FaultSpec;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** {@code run simulate --pack P --operation program --module M --file F [--fault SPEC]… [--json]}. */
@Command(name = "simulate", description = "A run on a simulated vehicle, in virtual time.")
final class RunSimulateCommand extends Asked {
    @Option(names = "--pack", paramLabel = "P", required = true)
    private String packName;

    @Option(names = "--operation", paramLabel = "O", required = true, description = "program")
    private String operation;

    @Option(names = "--module", paramLabel = "M", required = true)
    private String moduleId;

    @Option(names = "--file", paramLabel = "F", required = true)
    private String fileName;

    @Option(names = "--fault", paramLabel = "SPEC", description = "may be given more than once")
    private List<String> faultTexts = new ArrayList<>();

    private record Told(
            String pack,
            String module,
            String outcome,
            String moduleState,
            String software,
            double seconds,
            String sentence,
            String nextAct) {}

    @Override
    public Integer call() throws IOException {
        if (!operation.equals("program"))
            throw new UsageException("--operation: \"" + InputFile.quoted(operation) + "\" (expected program)");
        Pack pack = PackFiles.named(packName);
        PackModule module = PackFiles.programmable(pack, moduleId);
        List<FaultSpec> faults = Faults.read(faultTexts, pack);
        for (FaultSpec fault : faults)
            if (!SimulatedRun.can(fault))
                throw new UsageException(
                        "--fault: " + fault.kind().key() + " is about an interface, and none is simulated");
        Path file = InputFile.path(fileName);
        return tell(pack, end(pack, module, FileCommand.read(file), faults));
    }

    private SimulatedRun.End end(Pack pack, PackModule module, ReadResult content, List<FaultSpec> faults) {
        return switch (content) {
            case ReadResult.Damaged damaged ->
                SimulatedRun.untouched(
                        pack, moduleId, "The file is damaged. " + damaged.sentence(), "Get the file again.");
            case ReadResult.Read(CalibrationFile file) -> {
                FileInModule fit = FileInModule.of(file, module, SimulatedRun.hardware(module), "");
                yield fit.check().usable()
                        ? SimulatedRun.of(pack, moduleId, file.image(), fit.software(), faults)
                        : SimulatedRun.untouched(
                                pack,
                                moduleId,
                                String.join(" ", fit.check().reasons()),
                                "Get the file for hardware " + SimulatedRun.hardware(module) + ".");
            }
        };
    }

    private int tell(Pack pack, SimulatedRun.End end) {
        Told told = new Told(
                pack.id(),
                moduleId,
                Output.dashed(end.outcome()),
                Output.dashed(end.module()),
                end.software(),
                Math.round(end.seconds() * 1000) / 1000.0,
                end.sentence(),
                end.nextAct());
        output().result(
                        "run-simulate",
                        told,
                        "%s after %.1f s. %s Next: %s"
                                .formatted(told.outcome(), end.seconds(), end.sentence(), end.nextAct()));
        return end.outcome() == SimulatedRun.Outcome.DONE ? Main.GOOD : Main.FOUND;
    }
}
