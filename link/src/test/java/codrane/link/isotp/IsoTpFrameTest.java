package codrane.link.isotp;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.link.isotp.IsoTpFrame.ConsecutiveFrame;
import codrane.link.isotp.IsoTpFrame.FirstFrame;
import codrane.link.isotp.IsoTpFrame.FlowControl;
import codrane.link.isotp.IsoTpFrame.FlowStatus;
import codrane.link.isotp.IsoTpFrame.SingleFrame;
import java.time.Duration;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class IsoTpFrameTest {
    private static DecodeResult<IsoTpFrame> decode(String hex) {
        return IsoTpFrame.decode(Bytes.parse(hex), 0);
    }

    @Test
    void decode_handWrittenOctets_areTheFrames() {
        assertThat(decode("0322F190CCCCCCCC").value()).isEqualTo(new SingleFrame(Bytes.parse("22F190")));
        assertThat(decode("0322F190").value()).isEqualTo(new SingleFrame(Bytes.parse("22F190")));
        assertThat(decode("1014 62F190 304250").value()).isEqualTo(new FirstFrame(20, Bytes.parse("62F190304250")));
        assertThat(decode("1000 00001000 3601").value()).isEqualTo(new FirstFrame(4096, Bytes.parse("3601")));
        assertThat(decode("21 01020304050607").value())
                .isEqualTo(new ConsecutiveFrame(1, Bytes.parse("01020304050607")));
        assertThat(decode("30 08 F3 CCCCCCCCCC").value())
                .isEqualTo(new FlowControl(FlowStatus.CONTINUE, 8, Duration.ofNanos(300_000)));
    }

    @Test
    void encode_frames_areTheHandWrittenOctets() {
        assertThat(new SingleFrame(Bytes.parse("22F190")).encode().hex()).isEqualTo("0322F190");
        assertThat(new FirstFrame(4095, Bytes.parse("010203040506")).encode().hex())
                .isEqualTo("1FFF010203040506");
        assertThat(new FirstFrame(70000, Bytes.parse("3601")).encode().hex()).isEqualTo("1000000111703601");
        assertThat(new ConsecutiveFrame(15, Bytes.of(9)).encode().hex()).isEqualTo("2F09");
        assertThat(new FlowControl(FlowStatus.WAIT, 0, Duration.ofMillis(20))
                        .encode()
                        .hex())
                .isEqualTo("310014");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "00CCCCCCCCCCCCCC",
                "08010203",
                "0501020304",
                "1007010203040506",
                "10",
                "1000000FFF0102",
                "1014010203",
                "30",
                "3008",
                "40000000",
                "F0"
            })
    void decode_illegalFrame_isMalformed(String hex) {
        assertThat(decode(hex).isMalformed()).isTrue();
    }

    @Test
    void decode_randomOctets_neverThrows() {
        Random random = new Random(31);
        for (int i = 0; i < 200_000; i++) {
            byte[] octets = new byte[random.nextInt(i % 3 == 0 ? 65 : 9)];
            random.nextBytes(octets);
            assertThat(IsoTpFrame.decode(Bytes.copyOf(octets), i & 1)).isNotNull();
        }
    }

    @Test
    void decode_longFrames_haveTheirLengthInAnOctetOfItsOwn() {
        assertThat(decode("0008 0102030405060708 CCCC").value())
                .isEqualTo(new SingleFrame(Bytes.parse("0102030405060708")));
        assertThat(decode("0007 01020304050607 CCCCCC").isMalformed()).isTrue(); // belongs into a short frame
        assertThat(decode("0A 0102030405060708090A CC").isMalformed()).isTrue();
        assertThat(decode("100C" + "11".repeat(10)).value()).isEqualTo(new FirstFrame(12, Bytes.filled(10, 0x11)));
        assertThat(decode("100A" + "11".repeat(10)).isMalformed()).isTrue(); // would fit a single frame of 12
    }

    @Test
    void decode_withAnAddressInFront_leavesOneOctetLess() {
        assertThat(IsoTpFrame.decode(Bytes.parse("06010203040506"), 1).value())
                .isEqualTo(new SingleFrame(Bytes.parse("010203040506")));
        assertThat(IsoTpFrame.decode(Bytes.parse("0701020304050607"), 1).isMalformed())
                .isTrue();
        assertThat(IsoTpFrame.decode(Bytes.parse("10070102030405"), 1).value())
                .isEqualTo(new FirstFrame(7, Bytes.parse("0102030405")));
    }

    @Test
    void decode_reservedFlowStatus_isKeptToEndTheTransfer() {
        assertThat(decode("33000000").value()).isEqualTo(new IsoTpFrame.InvalidFlow(3));
        assertThat(decode("3F0800").value()).isEqualTo(new IsoTpFrame.InvalidFlow(15));
    }
}
