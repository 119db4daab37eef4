package codrane.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import codrane.core.octets.Source;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CalibrationFileTest {
    private static byte[] ascii(String text) {
        return text.getBytes(StandardCharsets.US_ASCII);
    }

    private static CalibrationFile read(String text) {
        return read(ascii(text));
    }

    private static CalibrationFile read(byte[] content) {
        return ((ReadResult.Read) CalibrationFile.read(Source.of(content))).file();
    }

    @Test
    void read_handWrittenHex_hasSegmentsAndCrc() {
        CalibrationFile file = read(":020000040008F2\r\n:0300300002337A1E\r\n:03003300010203C4\n:00000001ff\n");
        assertThat(file.format()).isEqualTo(CalibrationFile.Format.INTEL_HEX);
        assertThat(file.segments()).containsExactly(new MemoryImage.Segment(0x80030, 6));
        assertThat(file.crc32()).isEqualTo(Checksums.crc32(Bytes.parse("02337A010203")));
    }

    @Test
    void read_handWrittenSRecord_hasSegments() {
        CalibrationFile file = read("S00F000068656C6C6F202020202000003C\nS1050010AABB85\nS5030001FB\nS9030000FC\n");
        assertThat(file.format()).isEqualTo(CalibrationFile.Format.S_RECORD);
        assertThat(file.segments()).containsExactly(new MemoryImage.Segment(0x10, 2));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                ":0300300002337A1F; 1; 16; check byte is 1F, the record asks for 1E",
                ":0300300002337A; 1; 16; the line ends within the check byte",
                ":030030000233; 1; 14; the line ends within the data",
                ":03003000023G7A1E; 1; 13; 'G' is not a hex digit",
                ":00000007F9; 1; 8; record type 07 is not 00 to 05",
                ":0300300002337A1E; 1; 1; the file is cut off: its end record is missing",
                ":0300300002337A1E00; 1; 18; 2 characters after the check byte",
                ":0100000200FD; 1; 2; this record type holds 2 octets, not 1"
            })
    void read_damagedHex_namesLineAndColumn(String text, int line, int column, String message) {
        ReadResult result = CalibrationFile.read(Source.of(ascii(text)));
        assertThat(result).isEqualTo(new ReadResult.Damaged(line, column, message));
    }

    @Test
    void read_overlapWithOtherData_isDamagedAtTheSecondRecord() {
        String text = ":0300300002337A1E\n:03003100010203C6\n:00000001FF\n";
        ReadResult.Damaged damaged = (ReadResult.Damaged) CalibrationFile.read(Source.of(ascii(text)));
        assertThat(damaged.line()).isEqualTo(2);
        assertThat(damaged.message()).contains("other data is already at address 00000031");
    }

    @Test
    void read_blankLinesBefore_isStillHex() {
        assertThat(read("\r\n\n:0300300002337A1E\n:00000001FF\n").format()).isEqualTo(CalibrationFile.Format.INTEL_HEX);
    }

    @Test
    void read_sameDataTwice_isAccepted() {
        assertThat(read(":0300300002337A1E\n:0300300002337A1E\n:00000001FF\n").bytes())
                .isEqualTo(3);
    }

    @Test
    void read_emptyOrEndOnly_isDamaged() {
        assertThat(CalibrationFile.read(Source.of(new byte[0]))).isInstanceOf(ReadResult.Damaged.class);
        assertThat(CalibrationFile.read(Source.of(ascii(":00000001FF\n")))).isInstanceOf(ReadResult.Damaged.class);
    }

    @Test
    void read_anyOtherContent_isBinary() {
        CalibrationFile file = read(new byte[] {1, 2, 3, 4});
        assertThat(file.format()).isEqualTo(CalibrationFile.Format.BINARY);
        assertThat(file.segments()).containsExactly(new MemoryImage.Segment(0, 4));
    }

    @Test
    void write_randomImages_readBackTheSameInAnyRecordOrder() {
        Random random = new Random(5);
        for (int round = 0; round < 60; round++) {
            MemoryImage image = new MemoryImage();
            for (int s = 0; s <= random.nextInt(5); s++) {
                byte[] data = new byte[1 + random.nextInt(300)];
                random.nextBytes(data);
                image.put((long) s * 0x1_0000_0 + random.nextInt(0x20000), data);
            }
            byte[] hex = CalibrationWriter.intelHex(image);
            byte[] srec = CalibrationWriter.sRecord(image);
            for (CalibrationFile file : List.of(read(hex), read(srec), read(shuffledSRecord(srec, random)))) {
                assertThat(file.segments()).isEqualTo(image.segments());
                assertThat(file.crc32()).isEqualTo(image.crc32());
            }
            assertThat(CalibrationWriter.intelHex(read(hex).image())).isEqualTo(hex);
        }
    }

    private static byte[] shuffledSRecord(byte[] srec, Random random) {
        List<String> lines = new ArrayList<>(
                new String(srec, StandardCharsets.US_ASCII).lines().toList());
        List<String> data = lines.subList(1, lines.size() - 1);
        Collections.shuffle(data, random);
        return ascii(
                String.join("\r\n", lines).toLowerCase(java.util.Locale.ROOT).replace('s', 'S'));
    }

    @Test
    void read_oneDamagedCharacter_isNeverReadAsOtherData() {
        Random random = new Random(9);
        byte[] data = new byte[200];
        random.nextBytes(data);
        byte[] hex = CalibrationWriter.intelHex(CalibrationWriter.image(0x8000, data));
        long crc = read(hex).crc32();
        for (int round = 0; round < 3000; round++) {
            byte[] damaged = hex.clone();
            int at = random.nextInt(damaged.length);
            damaged[at] = (byte) " 0123456789ABCDEFG:\n".charAt(random.nextInt(20));
            switch (CalibrationFile.read(Source.of(damaged))) {
                case ReadResult.Damaged d -> assertThat(d.line()).isPositive();
                case ReadResult.Read(CalibrationFile file) -> {
                    boolean binary = file.format() == CalibrationFile.Format.BINARY;
                    assertThat(binary || file.crc32() == crc).isTrue();
                }
            }
        }
    }

    @Test
    void read_randomOctets_neverThrow() {
        Random random = new Random(13);
        for (int round = 0; round < 5000; round++) {
            byte[] octets = new byte[random.nextInt(60)];
            random.nextBytes(octets);
            if (octets.length > 0) octets[0] = (byte) (random.nextBoolean() ? ':' : 'S');
            assertThat(CalibrationFile.read(Source.of(octets))).isNotNull();
        }
    }

    @Test
    void read_dataScatteredOverAllAddresses_isRefused() {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i <= MemoryImage.MOST_SEGMENTS; i++) {
            int sum = 6 + (i >> 16) + (i >> 8 & 0xFF) + (i & 0xFF) + 1;
            text.append("S306%06X0001%02X\n".formatted(i, ~sum & 0xFF));
        }
        ReadResult.Damaged damaged = (ReadResult.Damaged) CalibrationFile.read(Source.of(ascii(text.toString())));
        assertThat(damaged.sentence()).contains("separate pieces");
    }

    @Test
    void read_lineWithoutEnd_isRefused_notKept() {
        byte[] line = ascii(":" + "00".repeat(700_000));
        ReadResult.Damaged damaged = (ReadResult.Damaged) CalibrationFile.read(Source.of(line));
        assertThat(damaged.line()).isEqualTo(1);
    }
}
