package codrane.link.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import codrane.core.calibration.CalibrationFile;
import codrane.core.calibration.CalibrationWriter;
import codrane.core.calibration.MemoryImage;
import codrane.core.calibration.ReadResult;
import codrane.core.octets.Checksums;
import codrane.core.octets.PagedMemory;
import codrane.core.octets.Source;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ScratchFileTest {
    private static final int LONG = 24 << 20; // more than a memory keeps at hand

    @TempDir
    Path folder;

    @Test
    void read_longFile_isTheSameAsInTheHeap_andLeavesNothing() throws IOException {
        byte[] data = new byte[LONG];
        new Random(24).nextBytes(data);
        MemoryImage image = CalibrationWriter.image(0x8000_0000L, data);
        Path file = folder.resolve("a.hex");
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file))) {
            CalibrationWriter.intelHex(image, out::write);
        }
        Path scratch = folder.resolve("scratch");
        try (FileSource source = new FileSource(file)) {
            ReadResult read = CalibrationFile.read(source, new ScratchFile(scratch));
            CalibrationFile calibration = ((ReadResult.Read) read).file();
            assertThat(calibration.crc32()).isEqualTo(image.crc32());
            assertThat(calibration.sha256()).isEqualTo(Checksums.sha256(Files.readAllBytes(file)));
            assertThat(calibration.segments()).isEqualTo(image.segments());
            assertThat(calibration.image().read(0x8012_3456L, 100)).isEqualTo(image.read(0x8012_3456L, 100));
        }
        assertThat(scratch).isEmptyDirectory();
    }

    @Test
    void stream_isTheSourceFromFirstToLast() throws IOException {
        byte[] data = new byte[200_001];
        new Random(3).nextBytes(data);
        assertThat(new SourceStream(Source.of(data)).readAllBytes()).isEqualTo(data);
        try (SourceStream stream = new SourceStream(Source.of(new byte[] {(byte) 0xFF}))) {
            assertThat(stream.read()).isEqualTo(0xFF);
            assertThat(stream.read()).isEqualTo(-1);
        }
    }

    @Test
    void save_whereNothingCanBeWritten_saysSo() throws IOException {
        Path file = Files.createFile(folder.resolve("no-folder"));
        ScratchFile scratch = new ScratchFile(file);
        assertThatThrownBy(() -> scratch.save(0, new byte[PagedMemory.PAGE])).hasMessageContaining("no room");
    }

    @Test
    void read_fileCutOffMeanwhile_isUnreadable() throws IOException {
        Path file = Files.write(folder.resolve("cut"), new byte[5000]);
        try (FileSource source = new FileSource(file)) {
            Files.write(file, new byte[10]);
            assertThatThrownBy(() -> source.head(5000)).isInstanceOf(Source.UnreadableException.class);
        }
    }
}
