package codrane.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Source;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SRecordReaderTest {
    private static ReadResult read(String text) {
        return CalibrationFile.read(Source.of(text.replace('~', '\n').getBytes(StandardCharsets.US_ASCII)));
    }

    @ParameterizedTest
    @CsvSource({
        "S1050010AABB85~S9030000FC, 10, 2",
        "S206010000AABB93~S804000000FB, 10000, 2",
        "S30780000000AABB13~S70500000000FA, 80000000, 2"
    })
    void read_eachAddressWidth_isTaken(String text, String start, int length) {
        CalibrationFile file = ((ReadResult.Read) read(text)).file();
        assertThat(file.segments()).containsExactly(new MemoryImage.Segment(Long.parseLong(start, 16), length));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "S1050010AABB86~S9030000FC; 1; 13; check byte is 86",
                "S1050010AABB85; 1; 1; its end record is missing",
                "S4030000FC; 1; 2; record type is not S0 to S3",
                "S1020010; 1; 3; too small for this record type",
                "S1050010AABB85~S5030002FA~S9030000FC; 2; 5; counts 2 data records, there are 1",
                "S1050010AABB85~S1050011CCDD40~S9030000FC; 2; 5; other data is already at address 00000011",
                "S1050010AABB85~S9030000FC~S1050010AABB85; 3; 1; a record after the end record"
            })
    void read_damaged_namesLineAndColumn(String text, int line, int column, String message) {
        ReadResult.Damaged damaged = (ReadResult.Damaged) read(text);
        assertThat(damaged.line()).isEqualTo(line);
        assertThat(damaged.column()).isEqualTo(column);
        assertThat(damaged.message()).contains(message);
    }
}
