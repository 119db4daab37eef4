package codrane.app.cli;

import codrane.app.cli.Main.UsageException;
import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.Conversion;
import codrane.core.calibration.Conversion.Planned;
import codrane.core.calibration.Conversion.Target;
import codrane.core.calibration.ReadResult;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.OptionalInt;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code file convert IN OUT [--fill XX] [--json]}. OUT is written whole or not at all. */
@Command(name = "convert", description = "Writes a calibration file in another format, by the ending of OUT.")
final class FileConvertCommand extends Asked {
    @Parameters(index = "0", paramLabel = "IN")
    private String in;

    @Parameters(index = "1", paramLabel = "OUT")
    private String out;

    @Option(names = "--fill", paramLabel = "XX", description = "octet for the gaps, two hex digits")
    private String fill;

    private record Told(String in, String out, String from, String to, long bytes, long filled, String crc32) {}

    private record Refused(@JsonProperty("class") String kind, String message, String where) {}

    @Override
    public Integer call() throws IOException {
        Path from = InputFile.path(in);
        Path to = InputFile.path(out);
        Target target = Target.of(to.toString())
                .orElseThrow(() ->
                        new UsageException("OUT: \"" + InputFile.quoted(out) + "\" ends in none of " + Target.all()));
        OptionalInt octet = octet();
        if (Files.exists(to) && (!Files.isRegularFile(to) || Files.exists(from) && Files.isSameFile(from, to)))
            throw new UsageException(
                    "OUT: " + to + (Files.isRegularFile(to) ? " is the file that is read" : " is no plain file"));
        return switch (FileCommand.read(from)) {
            case ReadResult.Damaged damaged -> FileCommand.damaged(output(), "file-convert", from, damaged);
            case ReadResult.Read(CalibrationFile file) -> convert(file, from, to, Conversion.of(file, target, octet));
        };
    }

    private OptionalInt octet() {
        if (fill == null) return OptionalInt.empty();
        if (!fill.matches("(0[xX])?[0-9A-Fa-f]{2}"))
            throw new UsageException("--fill: \"" + InputFile.quoted(fill) + "\" (expected two hex digits)");
        return OptionalInt.of(Integer.parseInt(fill.substring(fill.length() - 2), 16));
    }

    private int convert(CalibrationFile file, Path from, Path to, Planned planned) throws IOException {
        return switch (planned) {
            case Planned.Refused(String sentence) -> {
                Refused told = new Refused("refused", sentence, from.toString());
                output().found("file-convert", told, from + ": " + sentence);
                yield Main.FOUND;
            }
            case Planned.Good good -> {
                write(to, good);
                Told told = new Told(
                        from.toString(),
                        to.toString(),
                        file.format().label(),
                        good.target().label(),
                        good.image().size(),
                        good.filled(),
                        "%08X".formatted(good.image().crc32()));
                output().result(
                                "file-convert",
                                told,
                                to + ": " + told.bytes() + " octets of data, CRC-32 " + told.crc32()
                                        + (told.filled() == 0 ? "" : "; " + told.filled() + " of them fill gaps"));
                yield Main.GOOD;
            }
        };
    }

    private static void write(Path to, Planned.Good good) throws IOException {
        Path folder = to.toAbsolutePath().getParent();
        if (folder == null || !Files.isDirectory(folder)) throw new IOException("there is no folder " + folder);
        Path beside =
                folder.resolve(to.getFileName() + "." + ProcessHandle.current().pid() + ".part");
        try {
            try (OutputStream stream = new BufferedOutputStream(
                    Files.newOutputStream(beside, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE))) {
                good.write(stream::write);
            }
            Files.move(beside, to, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(beside);
        }
    }
}
