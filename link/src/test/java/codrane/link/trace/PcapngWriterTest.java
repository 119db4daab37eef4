package codrane.link.trace;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.link.can.CanFrame;
import java.io.ByteArrayOutputStream;
import org.junit.jupiter.api.Test;

class PcapngWriterTest {
    @Test
    void frame_handWrittenOctets_areTheBlocks() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (PcapngWriter writer = new PcapngWriter(out)) {
            writer.frame(new CanFrame(0x448, false, Bytes.parse("0322F190")), 0x1_0000_0002L);
            writer.frame(new CanFrame(0x18DA10F1, true, Bytes.EMPTY), 3);
        }
        String section = "0A0D0D0A" + "1C000000" + "4D3C2B1A" + "01000000" + "FFFFFFFFFFFFFFFF" + "1C000000";
        String description =
                "01000000" + "20000000" + "E3000000" + "48000000" + "09000100" + "09000000" + "00000000" + "20000000";
        String ethernet =
                "01000000" + "20000000" + "01000000" + "00000000" + "09000100" + "09000000" + "00000000" + "20000000";
        String standard = "06000000" + "30000000" + "00000000" + "01000000" + "02000000" + "10000000" + "10000000"
                + "00000448" + "04000000" + "0322F190" + "00000000" + "30000000";
        String extended = "06000000" + "30000000" + "00000000" + "00000000" + "03000000" + "10000000" + "10000000"
                + "98DA10F1" + "00000000" + "0000000000000000" + "30000000";
        assertThat(Bytes.copyOf(out.toByteArray()).hex())
                .isEqualTo(section + description + ethernet + standard + extended);
    }
}
