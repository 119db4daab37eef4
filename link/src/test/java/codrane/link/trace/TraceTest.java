package codrane.link.trace;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.link.TestPacks;
import codrane.link.can.CanFrame;
import codrane.link.doip.DoipMessage;
import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class TraceTest {
    private static final Pack LORNE = TestPacks.load("brennick-lorne");

    private static TraceEvent frame(int id, String data, long micros) {
        return new TraceEvent.Frame(new CanFrame(id, false, Bytes.parse(data)), micros * 1000);
    }

    @Test
    void decode_segmentedMessage_isOneLineWithModuleWordsAndGap() {
        List<TraceLine> lines = TraceDecoder.decode(
                LORNE,
                List.of(
                        frame(0x4CE, "0322F190CCCCCCCC", 1000),
                        frame(0x4CF, "101462F190304250", 4000),
                        frame(0x4CE, "300000CCCCCCCCCC", 4300),
                        frame(0x4CF, "214C523341343641", 4600),
                        frame(0x4CF, "224D4E3030343132", 5000)));
        assertThat(lines).hasSize(2);
        assertThat(lines.get(0))
                .isEqualTo(new TraceLine(
                        0,
                        0,
                        "Tail lift",
                        true,
                        TraceLine.Kind.MESSAGE,
                        "ReadDataByIdentifier: F190 VIN",
                        Bytes.parse("22F190"),
                        1));
        assertThat(lines.get(1).words()).isEqualTo("ReadDataByIdentifier answered: F190 VIN, “0BPLR3A46AMN00412”");
        assertThat(lines.get(1).gapNanos()).isEqualTo(4_000_000);
        assertThat(lines.get(1).fromTester()).isFalse();
        assertThat(lines.get(1).frames()).isEqualTo(3);
    }

    @Test
    void decode_lostFrame_isNotAWholeMessage() {
        List<TraceLine> lines = TraceDecoder.decode(
                LORNE,
                List.of(
                        frame(0x4CF, "101462F190304250", 0),
                        frame(0x4CF, "224D4E3030343132", 400),
                        frame(0x123, "0102", 500),
                        frame(0x7DF, "023E80CCCCCCCCCC", 600)));
        assertThat(lines)
                .extracting(TraceLine::words)
                .containsExactly(
                        "not a whole message", "not of this vehicle's diagnostics", "TesterPresent: no answer wanted");
        assertThat(lines)
                .extracting(TraceLine::kind)
                .containsExactly(TraceLine.Kind.BROKEN, TraceLine.Kind.BROKEN, TraceLine.Kind.ROUTINE);
        assertThat(lines.getLast().module()).isEqualTo("All modules");
    }

    @Test
    void decode_doip_leavesAcknowledgementsOut() {
        Pack wisp = TestPacks.load("tolvane-wisp");
        List<TraceLine> lines = TraceDecoder.decode(
                wisp,
                List.of(
                        new TraceEvent.Doip(true, new DoipMessage.RoutingActivationRequest(0x0E00, 0).encode(), 0),
                        new TraceEvent.Doip(
                                true,
                                new DoipMessage.DiagnosticMessage(0x0E00, 0x1040, Bytes.parse("14FFFFFF")).encode(),
                                1000),
                        new TraceEvent.Doip(
                                false,
                                new DoipMessage.DiagnosticMessagePositiveAcknowledge(0x1040, 0x0E00).encode(),
                                2000),
                        new TraceEvent.Doip(
                                false,
                                new DoipMessage.DiagnosticMessage(0x1040, 0x0E00, Bytes.parse("7F1434")).encode(),
                                3000)));
        assertThat(lines)
                .extracting(l -> l.module() + ": " + l.words())
                .containsExactly(
                        "DoIP: Routing activation",
                        "Body: ClearDiagnosticInformation: all faults",
                        "Body: ClearDiagnosticInformation refused: the gateway asks for an authorisation (34)");
    }

    @Test
    void text_everyEvent_roundTrips() {
        List<TraceEvent> events = List.of(
                frame(0x4CE, "0322F190", 0),
                new TraceEvent.Frame(
                        new CanFrame(0x18DA40F1, true, CanFrame.Format.FD_SWITCHED, Bytes.filled(12, 0x5A)), 1_000_000),
                new TraceEvent.Doip(false, Bytes.parse("02FD000700000000"), 2_000_001_000));
        StringBuilder text = new StringBuilder();
        TraceText.write(events, text);
        assertThat(text.toString().lines())
                .containsExactly(
                        "(0.000000) 4CE#0322F190",
                        "(0.001000) 18DA40F1##15A5A5A5A5A5A5A5A5A5A5A5A",
                        "(2.000001) vehicle 02FD000700000000");
        assertThat(TraceText.parseAll(text + "rubbish\n(1.5) 448#\n")).isEqualTo(events);
    }

    @Test
    void ring_full_losesTheOldestAndSaysHowMany() {
        TraceRing ring = new TraceRing(3);
        for (int i = 0; i < 5; i++) ring.frame(new CanFrame(i, false, Bytes.EMPTY), i);
        assertThat(ring.dropped()).isEqualTo(2);
        assertThat(ring.events()).extracting(TraceEvent::nanos).containsExactly(2L, 3L, 4L);
        ring.clear();
        assertThat(ring.events()).isEmpty();
        assertThat(ring.dropped()).isZero();
    }

    @Test
    void ring_longMessages_keepsNoMoreOctetsThanItMay() {
        TraceRing ring = new TraceRing(TraceRing.STANDARD);
        for (int i = 0; i < 1000; i++) ring.message(true, Bytes.filled(65_000, i & 0xFF), i);
        assertThat(ring.events()).hasSizeBetween(200, 270);
        assertThat(ring.events().getLast().nanos()).isEqualTo(999);
        assertThat(ring.dropped() + ring.events().size()).isEqualTo(1000);
    }

    /** Handshake, then each message in segments with running numbers; the sums over all headers come out right. */
    @Test
    void pcapng_doip_isATcpConnectionWithGoodSums() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Bytes large = new DoipMessage.DiagnosticMessage(0x0E00, 0x1040, Bytes.filled(3000, 0x36)).encode();
        try (PcapngWriter writer = new PcapngWriter(out)) {
            writer.write(List.of(
                    new TraceEvent.Doip(true, large, 5),
                    new TraceEvent.Doip(
                            false, new DoipMessage.DiagnosticMessagePositiveAcknowledge(0x1040, 0x0E00).encode(), 9)));
        }
        List<Bytes> packets = packets(Bytes.copyOf(out.toByteArray()));
        assertThat(packets).hasSize(3 + 3 + 1);
        for (Bytes packet : packets) {
            assertThat(sum(packet.slice(14, 20), 0)).isEqualTo(0xFFFF);
            int tcp = packet.length() - 34;
            assertThat(sum(packet.from(34), sum(packet.slice(26, 8), 6 + tcp))).isEqualTo(0xFFFF);
        }
        assertThat(packets.get(4).u32(38) - packets.get(3).u32(38)).isEqualTo(1460);
    }

    private static List<Bytes> packets(Bytes file) {
        List<Bytes> packets = new ArrayList<>();
        for (int at = 0; at < file.length(); at += little(file, at + 4)) {
            if (little(file, at) == 6) packets.add(file.slice(at + 28, little(file, at + 20)));
        }
        return packets;
    }

    private static int little(Bytes octets, int at) {
        return octets.u8(at) | octets.u8(at + 1) << 8 | octets.u8(at + 2) << 16 | octets.u8(at + 3) << 24;
    }

    private static int sum(Bytes octets, int start) {
        int sum = start;
        for (int i = 0; i < octets.length(); i++) sum += octets.u8(i) << (i % 2 == 0 ? 8 : 0);
        while (sum > 0xFFFF) sum = (sum & 0xFFFF) + (sum >>> 16);
        return sum;
    }
}
