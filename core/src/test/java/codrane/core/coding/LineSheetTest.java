package codrane.core.coding;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.coding.LineSheet.Line;
import codrane.core.octets.Bytes;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LineSheetTest {
    @ParameterizedTest
    @CsvSource({"BOD, 7, 135C88F0, D4", "BOD, 7, 5C1388F0, CE", "LFT, 201, 0011223344556677, 4C", "DOR, 1, FF, 35"})
    void check_vectors_hold(String tag, int number, String data, String check) {
        assertThat(new Line(tag, number, Bytes.parse(data)).check()).isEqualTo(Integer.parseInt(check, 16));
    }

    @Test
    void parse_printedSheet_givesTheCodingBack() {
        Random random = new Random(11);
        for (int length = 1; length < 200; length += 7) {
            byte[] octets = new byte[length];
            random.nextBytes(octets);
            String text = LineSheet.of("LFT", Bytes.copyOf(octets)).stream()
                    .map(Line::text)
                    .collect(Collectors.joining("\n"));
            LineSheet.Sheet sheet = LineSheet.parse(text, "LFT", length);
            assertThat(sheet.troubles()).isEmpty();
            assertThat(sheet.octets()).isEqualTo(Bytes.copyOf(octets));
        }
    }

    private static LineSheet.Sheet printed(Bytes octets) {
        String text = LineSheet.of("BOD", octets).stream().map(Line::text).collect(Collectors.joining("\n"));
        return LineSheet.parse(text, "BOD", octets.length());
    }

    /** Two octets misread in such a way that the check byte still fits: only a second entry finds it. */
    @Test
    void difference_errorsThatLeaveTheCheckRight_areFoundByTheSecondEntry() {
        Bytes right = Bytes.parse("13CE88F0135C88F0");
        int check = new Line("BOD", 1, right).check();
        int found = 0;
        for (int one = 0; one < 256; one++) {
            for (int other = 0; other < 256; other++) {
                Bytes wrong = Bytes.of(0x13, one, 0x88, other).plus(right.from(4));
                if (wrong.equals(right) || new Line("BOD", 1, wrong).check() != check) continue;
                found++;
                assertThat(printed(wrong).good()).isTrue();
                assertThat(LineSheet.difference(printed(right), printed(wrong)))
                        .hasValueSatisfying(s -> assertThat(s).startsWith("Line BOD/01, byte "));
            }
        }
        assertThat(found).isEqualTo(255);
        assertThat(LineSheet.difference(printed(right), printed(right))).isEmpty();
        assertThat(LineSheet.difference(printed(right), LineSheet.parse("", "BOD", 8)))
                .hasValueSatisfying(s -> assertThat(s).startsWith("The second entry: "));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "BOD/01  13 5C | 00; check byte does not fit",
                "DOR/01  FF | 35; belongs to DOR",
                "BOD/01 zz; is not of the form",
                "BOD/02  00 | 00; Line BOD/01 is missing",
                "BOD/00  FF | 35; is not 1 to 255",
                "''; hold 0 bytes"
            })
    void parse_damagedLine_isNamed(String text, String trouble) {
        LineSheet.Sheet sheet = LineSheet.parse(text, "BOD", 2);
        assertThat(sheet.good()).isFalse();
        assertThat(String.join(" ", sheet.troubles())).contains(trouble);
    }

    @Test
    void parse_sameLineTwice_isNamed() {
        String line = new Line("BOD", 1, Bytes.of(1, 2)).text();
        assertThat(LineSheet.parse(line + "\n" + line, "BOD", 2).troubles())
                .containsExactly("Line BOD/01 is there twice.");
    }
}
