package codrane.core.ready;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EndingTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 27);

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "2026-12-28|",
                "2026-12-27|The licence ends in 30 days, on 27 Dec 2026.",
                "2026-12-15|The licence ends in 18 days, on 15 Dec 2026.",
                "2026-11-28|The licence ends tomorrow.",
                "2026-11-27|The licence ends today.",
                "2026-11-26|The licence ended on 26 Nov 2026."
            })
    void sentence_byTheDay_saysWhen(LocalDate until, String said) {
        assertThat(new Ending("The licence", until, "/tools").sentence(TODAY).orElse(null))
                .isEqualTo(said);
    }
}
