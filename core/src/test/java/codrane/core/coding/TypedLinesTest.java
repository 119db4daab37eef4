package codrane.core.coding;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class TypedLinesTest {
    private static final String FIRST = "BOD/01  13 5C 88 F0 | " + check(1, "135C88F0");
    private static final String SECOND = "BOD/02  00 11 | " + check(2, "0011");

    private static String check(int number, String hex) {
        return "%02X".formatted(new LineSheet.Line("BOD", number, codrane.core.octets.Bytes.parse(hex)).check());
    }

    private static TypedLines typed(String text) {
        return TypedLines.of(text, "BOD", 6);
    }

    @Test
    void of_whatIsStillToCome_isNoTrouble() {
        TypedLines half = typed(FIRST + "\n");
        assertThat(half.summary()).isEqualTo("1 line is good, 4 of 6 bytes.");
        assertThat(half.troubles()).isEmpty();
        assertThat(half.whole()).isFalse();
        assertThat(typed("").summary()).isEqualTo("No line is good yet.");
    }

    @Test
    void of_allLines_isWhole() {
        assertThat(typed(SECOND + "\n" + FIRST))
                .isEqualTo(new TypedLines("2 lines are good: the sheet is whole.", java.util.List.of(), true));
    }

    @Test
    void of_slips_areNamedLineByLine() {
        assertThat(typed("BOD/01  5C 13 88 F0 | " + check(1, "135C88F0")).troubles())
                .containsExactly(
                        "Line BOD/01: the check byte does not fit the data. It would with bytes 1 and 2 in each other's place.");
        assertThat(typed(SECOND).troubles()).containsExactly("Line BOD/01 is missing.");
        assertThat(typed(FIRST + "\n" + FIRST).troubles()).containsExactly("Line BOD/01 is there twice.");
        assertThat(typed("LFT/01  00 | 00").troubles()).containsExactly("Row 1 belongs to LFT, not BOD.");
        assertThat(typed("BOD/01  13 5C 88 FO | D4").troubles().getFirst()).contains("the letter O where the digit 0");
    }

    @Test
    void of_tableWithHeadings_isTheSameLines() {
        String table = "tag;line;data;check\r\nBOD;1;135C88F0;" + check(1, "135C88F0") + "\r\n\"BOD\",02,\"00 11\","
                + check(2, "0011");
        assertThat(typed(table).whole()).isTrue();
        assertThat(typed("BOD/01,13 5C 88 F0," + check(1, "135C88F0")).summary())
                .startsWith("1 line is good");
    }
}
