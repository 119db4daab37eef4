package codrane.link.doip;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.link.doip.DoipMessage.DiagnosticMessage;
import codrane.link.doip.DoipMessage.DiagnosticMessageNegativeAcknowledge;
import codrane.link.doip.DoipMessage.DiagnosticMessagePositiveAcknowledge;
import codrane.link.doip.DoipMessage.RoutingActivationRequest;
import codrane.link.doip.DoipMessage.RoutingActivationResponse;
import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class DoipMessageTest {
    private static final List<DoipMessage> ALL = List.of(
            new DoipMessage.GenericHeaderNegativeAcknowledge(1),
            new DoipMessage.VehicleIdentificationRequest(),
            new DoipMessage.VehicleIdentificationRequestWithEid(Bytes.parse("020000000001")),
            new DoipMessage.VehicleIdentificationRequestWithVin(Bytes.ascii("0TVWP2E67TN002240")),
            new DoipMessage.VehicleAnnouncement(
                    Bytes.ascii("0TVWP2E67TN002240"),
                    0x1000,
                    Bytes.parse("020000000001"),
                    Bytes.parse("020000000001"),
                    0,
                    Optional.of(0)),
            new DoipMessage.VehicleAnnouncement(
                    Bytes.filled(17, 0xFF), 0x1000, Bytes.filled(6, 0), Bytes.filled(6, 0), 0x10, Optional.empty()),
            new DoipMessage.DoipEntityStatusRequest(),
            new DoipMessage.DoipEntityStatusResponse(0, 4, 1, 65_535),
            new DoipMessage.DiagnosticPowerModeInformationRequest(),
            new DoipMessage.DiagnosticPowerModeInformationResponse(1),
            new RoutingActivationRequest(0x0E00, 0),
            new RoutingActivationResponse(0x0E00, 0x1000, 0x10),
            new DoipMessage.AliveCheckRequest(),
            new DoipMessage.AliveCheckResponse(0x0E00),
            new DiagnosticMessage(0x0E00, 0x1040, Bytes.parse("22F190")),
            new DiagnosticMessagePositiveAcknowledge(0x1040, 0x0E00),
            new DiagnosticMessageNegativeAcknowledge(0x1040, 0x0E00, 3));

    @Test
    void encode_messages_areTheHandWrittenOctets() {
        assertThat(new RoutingActivationRequest(0x0E00, 0).encode().hex()).isEqualTo("02FD0005000000070E000000000000");
        assertThat(new DoipMessage.VehicleIdentificationRequest().encode().hex())
                .isEqualTo("02FD000100000000");
        assertThat(new DoipMessage.DoipEntityStatusResponse(0, 4, 1, 65_535)
                        .encode()
                        .hex())
                .isEqualTo("02FD4002000000070004010000FFFF");
        assertThat(new DiagnosticMessage(0x0E00, 0x1040, Bytes.parse("22F190"))
                        .encode()
                        .hex())
                .isEqualTo("02FD8001000000070E00104022F190");
        assertThat(new DiagnosticMessagePositiveAcknowledge(0x1040, 0x0E00)
                        .encode()
                        .hex())
                .isEqualTo("02FD80020000000510400E0000");
    }

    @Test
    void decode_everyMessage_roundTripsAndEveryTruncationIsMalformed() {
        for (DoipMessage message : ALL) {
            Bytes octets = message.encode();
            assertThat(DoipMessage.decode(octets).value()).isEqualTo(message);
            for (int length = 0; length < octets.length(); length++) {
                assertThat(DoipMessage.decode(octets.slice(0, length)).isMalformed())
                        .isTrue();
            }
        }
    }

    @Test
    void stream_hugeLength_isRefusedBeforeAllocating() throws Exception {
        DoipStream stream = new DoipStream(
                new ByteArrayInputStream(Bytes.parse("02FD8001FFFFFFFF").toArray()));
        assertThat(stream.next()).isEqualTo(new DoipStream.Arrival.Bad(0x02, false));
        assertThat(stream.next()).isEqualTo(new DoipStream.Arrival.End());
    }

    @Test
    void stream_unknownType_isNamedAndTheNextMessageStillRead() throws Exception {
        Bytes octets = Bytes.parse("02FD4444000000020102").plus(new DoipMessage.AliveCheckRequest().encode());
        DoipStream stream = new DoipStream(new ByteArrayInputStream(octets.toArray()));
        assertThat(stream.next()).isEqualTo(new DoipStream.Arrival.Bad(0x01, false));
        assertThat(stream.next()).isEqualTo(new DoipStream.Arrival.Message(new DoipMessage.AliveCheckRequest()));
        assertThat(stream.next()).isEqualTo(new DoipStream.Arrival.End());
    }

    @Test
    void decode_randomOctets_neverThrows() {
        Random random = new Random(51);
        for (int i = 0; i < 100_000; i++) {
            byte[] octets = new byte[random.nextInt(24)];
            random.nextBytes(octets);
            if (octets.length > 8 && i % 2 == 0) {
                System.arraycopy(ALL.get(random.nextInt(ALL.size())).encode().toArray(), 0, octets, 0, 8);
                octets[7] = (byte) (octets.length - 8);
            }
            assertThat(DoipMessage.decode(Bytes.copyOf(octets))).isNotNull();
        }
    }

    @Test
    void decodeHeader_defaultVersion_isTakenInIdentificationRequestsOnly() {
        assertThat(DoipMessage.decode(Bytes.parse("FF00000100000000")).value())
                .isEqualTo(new DoipMessage.VehicleIdentificationRequest());
        assertThat(DoipMessage.decode(Bytes.parse("FF00000700000000")).isMalformed())
                .isTrue();
        assertThat(DoipMessage.decode(Bytes.parse("02FC000100000000")).isMalformed())
                .isTrue();
    }
}
