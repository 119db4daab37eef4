package codrane.core.part;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SerialMaskTest {
    private static SerialMask mask(String text) {
        return SerialMask.parse(text).orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({
        "AAAA-9999, PLVR-2044",
        "PLV2-999999, PLV2-204417",
        "XXX, A0Z",
        "aa, xY",
        "\\A9, A7",
        "AAAA-9999, ' PLVR-2044 '"
    })
    void judge_valueOfTheForm_isValid(String mask, String value) {
        assertThat(mask(mask).judge(value).valid()).isTrue();
    }

    @Test
    void judge_wrongLength_saysBothLengths() {
        assertThat(mask("AAAA-9999").judge("PLVR-204").reason()).isEqualTo("It has 8 characters; this kind has 9.");
    }

    @Test
    void judge_confusable_isOfferedAndNeverApplied() {
        SerialMask.Verdict verdict = mask("AAAA-9999").judge("PLVR-2O44");
        assertThat(verdict.valid()).isFalse();
        assertThat(verdict.position()).isEqualTo(7);
        assertThat(verdict.reason()).isEqualTo("Position 7 is \"O\"; here stands a digit.");
        assertThat(verdict.suggestions()).containsExactly("PLVR-2044");
        assertThat(mask("AAAA-9999").judge("P1VR-2044").suggestions()).containsExactly("PIVR-2044", "PLVR-2044");
    }

    @Test
    void judge_smallLetters_areNamedWhereCaseCounts() {
        assertThat(mask("AA9").judge("aB7").suggestions()).containsExactly("AB7");
        assertThat(mask("AA9").judge("aB7").reason()).contains("a capital letter");
    }

    @Test
    void judge_nothingConfusable_offersNothing() {
        assertThat(mask("99").judge("4W").suggestions()).isEmpty();
    }

    @Test
    void parse_noMask_isEmpty() {
        assertThat(SerialMask.parse("")).isEmpty();
        assertThat(SerialMask.parse("A\\")).isEmpty();
        assertThat(SerialMask.parse("A".repeat(65))).isEmpty();
    }

    @Test
    void judge_randomText_neverThrowsAndOffersOnlyWhatFits() {
        Random random = new Random(7);
        String characters = "AaX9\\-0O1IlB8S5ZÄ ";
        for (int round = 0; round < 20_000; round++) {
            String mask = text(random, characters, 8);
            String value = text(random, characters, 8);
            SerialMask.parse(mask)
                    .ifPresent(m -> assertThat(m.judge(value).suggestions())
                            .allMatch(offer -> m.judge(offer).valid()));
        }
    }

    private static String text(Random random, String characters, int longest) {
        StringBuilder text = new StringBuilder();
        for (int i = random.nextInt(longest + 1); i > 0; i--)
            text.append(characters.charAt(random.nextInt(characters.length())));
        return text.toString();
    }
}
