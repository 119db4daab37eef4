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
                new Wire.Can(500_000, false, 0),
                1026,
                0,
                Duration.ZERO,
                Duration.ofSeconds(4),
                Duration.ofMillis(2),
                Duration.ofSeconds(2));
        ProgrammingEstimate one = ProgrammingEstimate.of(1_048_576, figures);
        assertThat(one.blocks()).isEqualTo(1024);
        assertThat(one.total()).isBetween(Duration.ofSeconds(40), Duration.ofSeconds(50));
        assertThat(ProgrammingEstimate.of(2_097_152, figures).transfer())
                .isEqualTo(one.transfer().multipliedBy(2));
    }

    /** Counted by hand from the fields of the frame: no run of five equal bits, so no dynamic stuff bits. */
    @Test
    void canFdFrameBits_contentWithoutRuns_isTheSumOfItsFields() {
        CanFdFrameBits frame = CanFdFrameBits.of(0x555, false, true, Bytes.parse("55AA55AA5555AA55"));
        assertThat(frame).isEqualTo(new CanFdFrameBits(17 + 13, 5 + 64 + 27));
        assertThat(CanFdFrameBits.of(0x555, false, false, Bytes.parse("55AA55AA5555AA55")))
                .isEqualTo(new CanFdFrameBits(17 + 13 + 5 + 64 + 27, 0));
    }

    @Test
    void canFdFrameBits_moreThan16Octets_hasTheLongCrc() {
        Bytes sixteen = Bytes.parse("5A".repeat(16));
        Bytes twenty = Bytes.parse("5A".repeat(20));
        int more = CanFdFrameBits.of(0x555, false, true, twenty).data()
                - CanFdFrameBits.of(0x555, false, true, sixteen).data();
        assertThat(more).isEqualTo(4 * 8 + 5);
    }

    @Test
    void canFdFrameBits_zeros_areStuffedAfterEveryFive() {
        // the length 8 is 1000: with the data 67 zeros in a row
        CanFdFrameBits frame = CanFdFrameBits.of(0x555, false, true, Bytes.filled(8, 0));
        assertThat(frame.data()).isEqualTo(5 + 64 + 67 / 5 + 27);
    }

    @Test
    void canFdFrameBits_runThatEndsWithTheData_hasNoDynamicBitBeforeTheFixedOne() {
        // the length 20 is 1011: exactly 160 zeros
        CanFdFrameBits frame = CanFdFrameBits.of(0x555, false, true, Bytes.filled(20, 0));
        assertThat(frame.data()).isEqualTo(5 + 160 + (160 / 5 - 1) + 32);
    }

    @ParameterizedTest
    @CsvSource({"0, 0, 0", "8, 8, 8", "9, 12, 9", "12, 12, 9", "33, 48, 14", "49, 64, 15", "64, 64, 15"})
    void canFdLength_isTheNextThatAFrameCanHave(int octets, int length, int code) {
        assertThat(CanFdFrameBits.length(octets)).isEqualTo(length);
        assertThat(CanFdFrameBits.code(octets)).isEqualTo(code);
    }

    @Test
    void canFdFrameBits_lengthThatNoFrameHas_isRefused() {
        Bytes nine = Bytes.filled(9, 0);
        org.junit.jupiter.api.Assertions.assertThrows(
                IllegalArgumentException.class, () -> CanFdFrameBits.of(1, false, true, nine));
    }
}
