package codrane.core.part;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.part.PartNumber.Fit;
import codrane.core.part.PartNumber.Numbering;
import java.util.List;
import java.util.Random;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PartTest {
    private static final Numbering NUMBERING = new Numbering(
            Pattern.compile("^(?<base>BK-\\d{5})-(?<suffix>[A-Z]\\d)$"),
            List.of(List.of("B2", "B3")),
            List.of("A9", "B1", "B2", "C1"));

    @ParameterizedTest
    @CsvSource({
        "BK-67220-B2, bk 67220 b2, SAME",
        "BK-67220-B2, BK-67220-B3, ACCEPTED_SUFFIX",
        "BK-67220-B2, bk67220.b3, ACCEPTED_SUFFIX", // as a label prints it
        "BK-67220-B2, BK-67220-C1, SUCCESSOR",
        "BK-67220-B2, BK-67220-A9, PREDECESSOR",
        "BK-67220-B2, BK-67220-D4, ASK_THE_PARTS_DESK",
        "BK-67220-B2, BK-46002-B2, DOES_NOT_FIT",
        "BK-67220-B2, BK-67220-B22, DOES_NOT_FIT",
        "BK-67220-B2, rubbish, DOES_NOT_FIT"
    })
    void compare_numbers_giveTheVerdict(String fitted, String offered, Fit fit) {
        assertThat(PartNumber.compare(fitted, offered, NUMBERING).fit()).isEqualTo(fit);
    }

    @Test
    void compare_chain_isNamedInTheReason() {
        assertThat(PartNumber.compare("BK-67220-A9", "BK-67220-C1", NUMBERING).reason())
                .isEqualTo("Suffix C1 replaces A9 in the chain A9 → B1 → B2 → C1.");
    }

    @Test
    void compare_anything_neverThrows() {
        Random random = new Random(9);
        for (int round = 0; round < 3000; round++) {
            StringBuilder text = new StringBuilder();
            for (int i = random.nextInt(20); i > 0; i--) text.append((char) (32 + random.nextInt(96)));
            assertThat(PartNumber.compare(text.toString(), "BK-67220-B2", NUMBERING))
                    .isNotNull();
            assertThat(PartNumber.compare("BK-67220-B2", text.toString(), NUMBERING))
                    .isNotNull();
        }
    }

    @ParameterizedTest
    @CsvSource({"3.08, 3.12, -1", "3.12, 3.12.0, -1", "3.2, 3.12, -1", "10.0, 9.9, 1", "altered, 0.1, -1"})
    void compareTo_versions_areOrderedByNumber(String a, String b, int sign) {
        assertThat(Integer.signum(Version.parse(a).compareTo(Version.parse(b)))).isEqualTo(sign);
    }
}
