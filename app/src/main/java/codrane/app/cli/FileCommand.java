package codrane.app.cli;

import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.ReadResult;
import codrane.core.octets.Source;
import codrane.link.file.FileSource;
import codrane.link.file.ScratchFile;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** {@code file info FILE [--json]}. */
@Command(name = "info", description = "Reads a calibration file: Intel HEX, S-record or binary.")
final class FileCommand extends Asked {
    static final long LONGEST = 1L << 30;

    @Parameters(paramLabel = "FILE")
    private String name;

    private record Segment(long start, long length) {}

    private record Told(String format, List<Segment> segments, long bytes, String crc32, String sha256) {}

    private record Damaged(@JsonProperty("class") String kind, String message, String where, int line, int column) {}

    @Override
    public Integer call() throws IOException {
        Path file = InputFile.path(name);
        return switch (read(file)) {
            case ReadResult.Read(CalibrationFile read) -> good(read);
            case ReadResult.Damaged damaged -> damaged(output(), "file-info", file, damaged);
        };
    }

    static ReadResult read(Path file) throws IOException {
        try (FileSource source = InputFile.source(file, LONGEST)) {
            return CalibrationFile.read(source, ScratchFile.temporary());
        } catch (Source.UnreadableException e) {
            throw new IOException(e.getMessage(), e);
        }
    }

    private int good(CalibrationFile file) {
        String crc = "%08X".formatted(file.crc32());
        List<Segment> segments = file.segments().stream()
                .map(s -> new Segment(s.start(), s.length()))
                .toList();
        StringBuilder text = new StringBuilder(file.format().label() + ", " + file.bytes() + " octets of data\n");
        file.segments()
                .forEach(s -> text.append("  %08X to %08X, %d octets%n".formatted(s.start(), s.end() - 1, s.length())));
        text.append("CRC-32 %s%nSHA-256 %s".formatted(crc, file.sha256()));
        Told told = new Told(file.format().label(), segments, file.bytes(), crc, file.sha256());
        output().result("file-info", told, text.toString());
        return Main.GOOD;
    }

    static int damaged(Output output, String command, Path file, ReadResult.Damaged damaged) {
        Damaged told = new Damaged("damaged", damaged.message(), file.toString(), damaged.line(), damaged.column());
        output.found(command, told, file + ": damaged. " + damaged.sentence());
        return Main.FOUND;
    }
}
