package codrane.core.scan;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import java.time.LocalDate;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A day in decimal digits; what is no day of the calendar is none. */
class ProgrammingDateTest {
    @ParameterizedTest
    @CsvSource({"240311, 2024-03-11", "260228, 2026-02-28", "260230,", "000000,", "FFFFFF,", "1A0311,", "20240311,"})
    void of_octets(String hex, LocalDate day) {
        assertThat(ProgrammingDate.of(Bytes.parse(hex))).isEqualTo(Optional.ofNullable(day));
    }
}
