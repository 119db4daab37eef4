package codrane.core.part;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.part.PartNumber.Fit;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PartTest {
    private static final Pattern PATTERN = Pattern.compile("^(?<base>BK-\\d{5})-(?<suffix>[A-Z]\\d)$");

    @ParameterizedTest
    @CsvSource({
        "BK-67220-B2, bk 67220 b2, SAME",
        "BK-67220-B2, BK-67220-B3, ACCEPTED_SUFFIX",
        "BK-67220-B2, BK-67220-C1, ASK_THE_PARTS_DESK",
        "BK-67220-B2, BK-46002-B2, DOES_NOT_FIT",
        "BK-67220-B2, rubbish, DOES_NOT_FIT"
    })
    void compare_numbers_giveTheVerdict(String fitted, String offered, Fit fit) {
        assertThat(PartNumber.compare(fitted, offered, PATTERN, List.of(List.of("B2", "B3")))
                        .fit())
                .isEqualTo(fit);
    }

    @ParameterizedTest
    @CsvSource({"3.08, 3.12, -1", "3.12, 3.12.0, -1", "3.2, 3.12, -1", "10.0, 9.9, 1", "altered, 0.1, -1"})
    void compareTo_versions_areOrderedByNumber(String a, String b, int sign) {
        assertThat(Integer.signum(Version.parse(a).compareTo(Version.parse(b)))).isEqualTo(sign);
    }
}
