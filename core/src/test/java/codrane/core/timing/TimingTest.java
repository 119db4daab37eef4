package codrane.core.timing;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TimingTest {
    @ParameterizedTest
    @CsvSource({
        "7E0, false, 023E80CCCCCCCCCC, 116",
        "7E8, false, 0000000000000000, 126",
        "7E0, false, 2155555555555555, 115",
        "18DA10F1, true, 0322F190CCCCCCCC, 132",
        "000, false, '', 53",
        "7FF, false, FFFFFFFFFFFFFFFF, 126"
    })
    void canFrameBits_vectors_hold(String id, boolean extended, String data, int bits) {
        assertThat(CanFrameBits.of(Integer.parseInt(id, 16), extended, Bytes.parse(data)))
                .isEqualTo(bits);
    }

    @ParameterizedTest
    @CsvSource({"00, 0", "7F, 127000", "F1, 100", "F9, 900", "80, 127000", "F0, 127000", "FA, 127000", "FF, 127000"})
    void separationTime_octets_areDecoded(String octet, long micros) {
        assertThat(SeparationTime.decode(Integer.parseInt(octet, 16))).isEqualTo(Duration.ofNanos(micros * 1000));
    }

    @Test
    void separationTime_everyLegalTime_roundTrips() {
        for (int octet = 0; octet <= 0xFF; octet++) {
            boolean legal = octet <= 0x7F || octet >= 0xF1 && octet <= 0xF9;
            if (legal)
                assertThat(SeparationTime.encode(SeparationTime.decode(octet))).isEqualTo(octet);
        }
        assertThat(SeparationTime.encode(Duration.ofNanos(950_000))).isEqualTo(1);
    }

    @Test
    void programmingEstimate_moreData_takesLonger() {
        ProgrammingEstimate.Figures figures = new ProgrammingEstimate.Figures(
                500_000, 1026, Duration.ZERO, Duration.ofSeconds(4), Duration.ofMillis(2), Duration.ofSeconds(2));
        ProgrammingEstimate one = ProgrammingEstimate.of(1_048_576, figures);
        assertThat(one.blocks()).isEqualTo(1024);
        assertThat(one.total()).isBetween(Duration.ofSeconds(40), Duration.ofSeconds(50));
        assertThat(ProgrammingEstimate.of(2_097_152, figures).transfer())
                .isEqualTo(one.transfer().multipliedBy(2));
    }
}
