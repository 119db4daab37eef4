package codrane.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Files that are larger than the heap, in a Java of their own. */
class LargeFileTest {
    private static final int MEGABYTES = 96;

    @TempDir
    Path folder;

    private String command(String... arguments) throws IOException, InterruptedException {
        List<String> line = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx48m",
                "-Djava.io.tmpdir=" + folder,
                "-cp",
                System.getProperty("java.class.path"),
                "codrane.app.cli.Main"));
        line.addAll(List.of(arguments));
        Process process = new ProcessBuilder(line).redirectErrorStream(true).start();
        try (InputStream out = process.getInputStream()) {
            String said = new String(out.readAllBytes(), StandardCharsets.UTF_8);
            assertThat(process.waitFor()).as(said).isZero();
            return said;
        }
    }

    @Test
    void file_twiceAsLargeAsTheHeap_isConvertedThereAndBack() throws IOException, InterruptedException {
        Path binary = folder.resolve("a.bin");
        Random random = new Random(MEGABYTES);
        byte[] piece = new byte[1 << 20];
        try (OutputStream out = Files.newOutputStream(binary)) {
            for (int i = 0; i < MEGABYTES; i++) {
                random.nextBytes(piece);
                out.write(piece);
            }
        }
        Path hex = folder.resolve("a.hex");
        Path back = folder.resolve("b.bin");
        assertThat(command("file", "convert", binary.toString(), hex.toString()))
                .contains((MEGABYTES << 20) + " octets of data");
        assertThat(command("file", "convert", hex.toString(), back.toString())).contains("CRC-32");
        assertThat(Files.mismatch(binary, back)).isEqualTo(-1);
        try (Stream<Path> left = Files.list(folder)) {
            assertThat(left).hasSize(3); // nothing of what it put aside
        }
    }
}
