package codrane.app.cli;

import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.ReadResult;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/** {@code file info FILE [--json]}. */
final class FileCommand {
    private static final long LONGEST = 512L << 20;

    private FileCommand() {}

    static int info(Arguments arguments, Output output) throws IOException {
        arguments.take(2);
        Path file = InputFile.path(arguments.onlyWord("the file"));
        arguments.end();
        return switch (CalibrationFile.read(InputFile.octets(file, LONGEST))) {
            case ReadResult.Read(CalibrationFile read) -> good(read, output);
            case ReadResult.Damaged damaged -> damaged(file, damaged, output);
        };
    }

    private static int good(CalibrationFile file, Output output) {
        Map<String, Object> object = Output.object("file-info");
        object.put("format", file.format().label());
        List<Map<String, Long>> segments = file.segments().stream()
                .map(s -> Map.of("start", s.start(), "length", s.length()))
                .toList();
        object.put("segments", segments);
        object.put("bytes", file.bytes());
        object.put("crc32", "%08X".formatted(file.crc32()));
        object.put("sha256", file.sha256());
        StringBuilder text = new StringBuilder(file.format().label() + ", " + file.bytes() + " octets of data\n");
        file.segments()
                .forEach(s -> text.append("  %08X to %08X, %d octets%n".formatted(s.start(), s.end() - 1, s.length())));
        text.append("CRC-32 %08X%nSHA-256 %s".formatted(file.crc32(), file.sha256()));
        output.result(object, text.toString());
        return Main.GOOD;
    }

    private static int damaged(Path file, ReadResult.Damaged damaged, Output output) {
        Map<String, Object> object = Output.object("file-info");
        object.put("class", "damaged");
        object.put("message", damaged.message());
        object.put("where", file.toString());
        object.put("line", damaged.line());
        object.put("column", damaged.column());
        output.found(object, file + ": damaged. " + damaged.sentence());
        return Main.FOUND;
    }
}
