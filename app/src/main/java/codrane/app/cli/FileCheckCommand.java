package codrane.app.cli;

import codrane.core.calibration.CalibrationCheck;
import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.FileInModule;
import codrane.core.calibration.Manifest;
import codrane.core.calibration.ManifestSignature;
import codrane.core.calibration.ReadResult;
import codrane.core.pack.Pack;
import codrane.core.pack.PackModule;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code file check FILE --pack P --module M --hardware N --software V [--json]}. */
@Command(name = "check", description = "Whether a calibration file may go into a module as it was read.")
final class FileCheckCommand extends Asked {
    @Parameters(paramLabel = "FILE")
    private String name;

    @Option(names = "--pack", paramLabel = "P", required = true)
    private String packName;

    @Option(names = "--module", paramLabel = "M", required = true)
    private String moduleId;

    @Option(names = "--hardware", paramLabel = "N", required = true, description = "number that the module reports")
    private String hardware;

    @Option(
            names = "--software",
            paramLabel = "V",
            required = true,
            description = "software that the module reports; empty when only its boot software answers")
    private String software;

    private record Told(
            String file,
            String pack,
            String module,
            String verdict,
            boolean usable,
            List<String> reasons,
            Optional<String> manifest) {}

    @Override
    public Integer call() throws IOException {
        Path file = InputFile.path(name);
        Pack pack = PackFiles.named(packName);
        PackModule module = PackFiles.programmable(pack, moduleId);
        ReadResult content = FileCommand.read(file);
        Optional<Path> beside = ManifestFile.beside(file).filter(Files::exists);
        CalibrationCheck check = beside.isPresent()
                ? byManifest(content, ManifestFile.read(beside.get()), pack)
                : byItself(content, module);
        return tell(file, pack, check, beside);
    }

    private CalibrationCheck byManifest(ReadResult content, Manifest manifest, Pack pack) {
        CalibrationCheck check = CalibrationCheck.of(
                content,
                manifest,
                new CalibrationCheck.Target(
                        pack.id(),
                        moduleId,
                        hardware.strip(),
                        Optional.of(software.strip()).filter(s -> !s.isEmpty())));
        return check.usable() ? origin(check, manifest, pack) : check;
    }

    /** A wrong signature is none of the maker's; without one the file is judged, and it is said. */
    private static CalibrationCheck origin(CalibrationCheck check, Manifest manifest, Pack pack) {
        return switch (ManifestSignature.judge(manifest, pack.serviceKey())) {
            case FOREIGN -> CalibrationCheck.origin(manifest, pack).orElse(check);
            case MAKERS -> check.because(pack.maker() + "'s service signed its manifest.");
            case MISSING -> check.because("Its manifest is not signed: who made it, nobody can tell.");
            case NO_KEY -> check.because("The pack names no key of the service: who signed it, nobody can tell.");
        };
    }

    private CalibrationCheck byItself(ReadResult content, PackModule module) {
        return switch (content) {
            case ReadResult.Damaged damaged ->
                new CalibrationCheck(CalibrationCheck.Verdict.FILE_DAMAGED, List.of(damaged.sentence()));
            case ReadResult.Read(CalibrationFile read) ->
                FileInModule.of(read, module, hardware.strip(), software.strip())
                        .check();
        };
    }

    private int tell(Path file, Pack pack, CalibrationCheck check, Optional<Path> beside) {
        String verdict = Output.dashed(check.verdict());
        Told told = new Told(
                file.toString(),
                pack.id(),
                moduleId,
                verdict,
                check.usable(),
                check.reasons(),
                beside.map(Path::toString));
        output().result("file-check", told, verdict + ": " + String.join(" ", check.reasons()));
        return check.usable() ? Main.GOOD : Main.FOUND;
    }
}
