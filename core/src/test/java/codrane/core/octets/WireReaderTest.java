package codrane.core.octets;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;

import org.junit.jupiter.api.Test;

class WireReaderTest {
    @Test
    void read_tooShort_isMalformedAtTheField() {
        DecodeResult<Long> result = DecodeResult.read(Bytes.of(1, 2, 3), in -> in.u8("kind") + in.u32("size"));
        assertThat(result).isEqualTo(new DecodeResult.Malformed<Long>(1, "size of 4 octets", "2 octets"));
    }

    @Test
    void read_octetsLeft_isMalformed() {
        assertThat(DecodeResult.read(Bytes.of(1, 2), in -> in.u8("kind")).isMalformed())
                .isTrue();
    }

    @Test
    void read_whole_isUnsigned() {
        assertThat(DecodeResult.read(
                                Bytes.of(0xFF, 0xFE, 0xFF, 0xFF, 0xFF, 0xFF, 0x80),
                                in -> in.u16("a") + in.u32("b") + in.u8("c"))
                        .value())
                .isEqualTo(0xFFFEL + 0xFFFFFFFFL + 0x80);
    }

    @Test
    void bytes_outOfRange_areRefused() {
        assertThrows(IllegalArgumentException.class, () -> Bytes.of(256));
        assertThrows(IllegalArgumentException.class, () -> Bytes.parse("ABC"));
        assertThat(Bytes.parse("22 F1 90").hex()).isEqualTo("22F190");
    }

    @Test
    void bytes_callerEditsArray_valueStays() {
        byte[] octets = {1, 2};
        Bytes bytes = Bytes.copyOf(octets);
        octets[0] = 9;
        assertThat(bytes).isEqualTo(Bytes.of(1, 2));
    }

    @Test
    void checksums_vectors_hold() {
        Bytes digits = Bytes.ascii("123456789");
        assertThat(Checksums.crc8J1850(digits)).isEqualTo(0x4B);
        assertThat(Checksums.crc16CcittFalse(digits)).isEqualTo(0x29B1);
        assertThat(Checksums.crc32(digits)).isEqualTo(0xCBF43926L);
    }
}
