package codrane.standin.doip;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.vin.Vin;
import codrane.link.doip.DoipDiscovery;
import codrane.link.doip.DoipMessage;
import codrane.link.doip.DoipMessage.AliveCheckRequest;
import codrane.link.doip.DoipMessage.AliveCheckResponse;
import codrane.link.doip.DoipMessage.DiagnosticMessage;
import codrane.link.doip.DoipMessage.DiagnosticMessagePositiveAcknowledge;
import codrane.link.doip.DoipMessage.RoutingActivationRequest;
import codrane.link.doip.DoipMessage.RoutingActivationResponse;
import codrane.link.doip.DoipMessage.VehicleAnnouncement;
import codrane.link.doip.DoipStream;
import codrane.link.doip.DoipStream.Arrival;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.Socket;
import java.net.SocketException;
import java.time.Duration;
import java.util.Optional;
import java.util.function.BiConsumer;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Discovery, several testers, alive checks and inactivity, over real sockets and with short timers. */
class DoipEntityTest {
    private static final String HOST = "127.0.0.1";
    private static final Vin VIN = new Vin("0TVCH5E12SN000318");
    private static final DoipEntity.Timers QUICK =
            new DoipEntity.Timers(Duration.ofSeconds(2), Duration.ofSeconds(4), Duration.ofSeconds(1));
    private static final Duration PATIENCE = Duration.ofMillis(800);

    private DoipEntity entity;

    /** Echoes each request as a positive answer. */
    private static final class Echo implements DoipBackend {
        @Override
        public boolean knows(int address) {
            return address == 0x40;
        }

        @Override
        public int longest() {
            return 65_535;
        }

        @Override
        public boolean carries(int octets, boolean functional) {
            return octets <= (functional ? 7 : longest());
        }

        @Override
        public void request(int address, Bytes request, boolean functional, BiConsumer<Integer, Bytes> respond) {
            respond.accept(0x40, Bytes.of(request.u8(0) | 0x40).plus(request.from(1)));
        }
    }

    private static final class Tester implements AutoCloseable {
        private final Socket socket;
        private final DoipStream in;

        Tester(int port) throws IOException {
            socket = new Socket(InetAddress.getLoopbackAddress(), port);
            socket.setSoTimeout(15_000);
            in = new DoipStream(socket.getInputStream());
        }

        Arrival next() throws IOException {
            return in.next();
        }

        Arrival exchange(DoipMessage message) throws IOException {
            send(message);
            return in.next();
        }

        void send(DoipMessage message) throws IOException {
            socket.getOutputStream().write(message.encode().toArray());
        }

        @Override
        public void close() throws IOException {
            socket.close();
        }
    }

    @BeforeEach
    void start() throws IOException {
        entity = new DoipEntity(VIN, new Echo(), 0, 0, QUICK);
    }

    @AfterEach
    void stop() throws IOException {
        entity.close();
    }

    private static Arrival routing(int source, int code) {
        return new Arrival.Message(new RoutingActivationResponse(source, 0x1000, code));
    }

    @Test
    void discovery_byVinEidOrNothing_findsTheVehicleAndNoOther() {
        int port = entity.port();
        VehicleAnnouncement found = DoipDiscovery.find(
                        HOST, port, new DoipMessage.VehicleIdentificationRequest(), PATIENCE)
                .getFirst();
        assertThat(found.vin().text()).isEqualTo(VIN.text());
        assertThat(found.logicalAddress()).isEqualTo(0x1000);
        assertThat(DoipDiscovery.find(
                        HOST, port, new DoipMessage.VehicleIdentificationRequestWithVin(found.vin()), PATIENCE))
                .containsExactly(found);
        assertThat(DoipDiscovery.find(
                        HOST, port, new DoipMessage.VehicleIdentificationRequestWithEid(found.eid()), PATIENCE))
                .containsExactly(found);
        Bytes other = Bytes.ascii("0TVWP2E67TN002240");
        assertThat(DoipDiscovery.find(HOST, port, new DoipMessage.VehicleIdentificationRequestWithVin(other), PATIENCE))
                .isEmpty();
    }

    @Test
    void status_andPowerMode_areToldWithoutAConnection() {
        int port = entity.port();
        assertThat(DoipDiscovery.ask(HOST, port, new DoipMessage.DoipEntityStatusRequest(), PATIENCE))
                .contains(new DoipMessage.DoipEntityStatusResponse(0, 4, 0, 65_535));
        assertThat(DoipDiscovery.ask(HOST, port, new DoipMessage.DiagnosticPowerModeInformationRequest(), PATIENCE))
                .contains(new DoipMessage.DiagnosticPowerModeInformationResponse(1));
        entity.ready(false);
        assertThat(DoipDiscovery.ask(HOST, port, new DoipMessage.DiagnosticPowerModeInformationRequest(), PATIENCE))
                .contains(new DoipMessage.DiagnosticPowerModeInformationResponse(0));
    }

    @Test
    void udp_badMessages_areNegativelyAcknowledged() throws IOException {
        try (DatagramSocket socket = new DatagramSocket(0, InetAddress.getLoopbackAddress())) {
            socket.setSoTimeout(2000);
            assertThat(udp(socket, "01FE000100000000"))
                    .contains(new DoipMessage.GenericHeaderNegativeAcknowledge(0x00));
            assertThat(udp(socket, "02FD777700000000"))
                    .contains(new DoipMessage.GenericHeaderNegativeAcknowledge(0x01));
            assertThat(udp(socket, "02FD00020000000101"))
                    .contains(new DoipMessage.GenericHeaderNegativeAcknowledge(0x04));
            assertThat(udp(socket, "02")).contains(new DoipMessage.GenericHeaderNegativeAcknowledge(0x00));
        }
    }

    @Test
    void message_thatCannotBeCarried_isRefusedWhenItArrives() throws IOException {
        try (Tester tester = new Tester(entity.port())) {
            assertThat(tester.exchange(new RoutingActivationRequest(0x0E01, 0))).isEqualTo(routing(0x0E01, 0x10));
            tester.send(new DiagnosticMessage(0x0E01, 0xE400, Bytes.parse("22F190F18CF18900")));
            assertThat(tester.next())
                    .isEqualTo(new Arrival.Message(
                            new DoipMessage.DiagnosticMessageNegativeAcknowledge(0xE400, 0x0E01, 0x04)));
            tester.send(new DiagnosticMessage(0x0E01, 0x1041, Bytes.parse("3E00")));
            assertThat(tester.next())
                    .isEqualTo(new Arrival.Message(
                            new DoipMessage.DiagnosticMessageNegativeAcknowledge(0x1041, 0x0E01, 0x03)));
            tester.send(
                    new DiagnosticMessage(0x0E01, 0x1040, Bytes.parse("3E00"))); // the connection is as good as before
            assertThat(tester.next())
                    .isEqualTo(new Arrival.Message(new DiagnosticMessagePositiveAcknowledge(0x1040, 0x0E01)));
        }
    }

    private Optional<DoipMessage> udp(DatagramSocket socket, String hex) throws IOException {
        byte[] octets = Bytes.parse(hex).toArray();
        socket.send(new DatagramPacket(octets, octets.length, InetAddress.getLoopbackAddress(), entity.port()));
        DatagramPacket answer = new DatagramPacket(new byte[200], 200);
        socket.receive(answer);
        Bytes message = Bytes.copyOf(answer.getData(), 0, answer.getLength());
        return DoipMessage.decode(message) instanceof Decoded<DoipMessage>(DoipMessage m)
                ? Optional.of(m)
                : Optional.empty();
    }

    @Test
    void announcement_atTheStart_comesThreeTimes() throws IOException {
        try (DatagramSocket listener = new DatagramSocket(0, InetAddress.getLoopbackAddress());
                DoipEntity announcing = new DoipEntity(VIN, new Echo(), 0, listener.getLocalPort(), QUICK)) {
            listener.setSoTimeout(3000);
            for (int i = 0; i < 3; i++) {
                DatagramPacket packet = new DatagramPacket(new byte[200], 200);
                listener.receive(packet);
                Bytes message = Bytes.copyOf(packet.getData(), 0, packet.getLength());
                assertThat(((VehicleAnnouncement) DoipMessage.decode(message).value())
                                .vin()
                                .text())
                        .isEqualTo(VIN.text());
            }
            assertThat(announcing.port()).isPositive();
        }
    }

    @Test
    void testers_several_eachGetTheirOwnAnswers() throws IOException {
        try (Tester a = new Tester(entity.port());
                Tester b = new Tester(entity.port())) {
            assertThat(a.exchange(new RoutingActivationRequest(0x0E00, 0))).isEqualTo(routing(0x0E00, 0x10));
            assertThat(b.exchange(new RoutingActivationRequest(0x0E01, 0))).isEqualTo(routing(0x0E01, 0x10));
            a.send(new DiagnosticMessage(0x0E00, 0x1040, Bytes.parse("22F190")));
            b.send(new DiagnosticMessage(0x0E01, 0x1040, Bytes.parse("22F18C")));
            assertThat(a.next())
                    .isEqualTo(new Arrival.Message(new DiagnosticMessagePositiveAcknowledge(0x1040, 0x0E00)));
            assertThat(a.next())
                    .isEqualTo(new Arrival.Message(new DiagnosticMessage(0x1040, 0x0E00, Bytes.parse("62F190"))));
            assertThat(b.next())
                    .isEqualTo(new Arrival.Message(new DiagnosticMessagePositiveAcknowledge(0x1040, 0x0E01)));
            assertThat(b.next())
                    .isEqualTo(new Arrival.Message(new DiagnosticMessage(0x1040, 0x0E01, Bytes.parse("62F18C"))));
        }
    }

    @Test
    void routing_sameSourceTwice_isRefusedWhileTheFirstLives() throws IOException {
        try (Tester first = new Tester(entity.port());
                Tester second = new Tester(entity.port())) {
            first.exchange(new RoutingActivationRequest(0x0E00, 0));
            Thread answering = Thread.ofVirtual().start(() -> answerAlive(first));
            assertThat(second.exchange(new RoutingActivationRequest(0x0E00, 0))).isEqualTo(routing(0x0E00, 0x03));
            answering.interrupt();
        }
    }

    private static void answerAlive(Tester tester) {
        try {
            if (tester.next() instanceof Arrival.Message(AliveCheckRequest request))
                tester.send(new AliveCheckResponse(0x0E00));
        } catch (IOException e) {
            // the test is over
        }
    }

    @Test
    void routing_sameSourceTwice_isTakenOverWhenTheFirstIsDead() throws IOException {
        try (Tester first = new Tester(entity.port());
                Tester second = new Tester(entity.port())) {
            first.exchange(new RoutingActivationRequest(0x0E00, 0));
            assertThat(second.exchange(new RoutingActivationRequest(0x0E00, 0))).isEqualTo(routing(0x0E00, 0x10));
            assertThat(first.next()).isEqualTo(new Arrival.Message(new AliveCheckRequest()));
            assertThrows(IOException.class, () -> {
                if (first.next() instanceof Arrival.End) throw new SocketException("cut off");
            });
        }
    }

    @Test
    void routing_otherSourceOnTheSameSocket_orTooManyTesters_isRefused() throws IOException {
        try (Tester a = new Tester(entity.port())) {
            a.exchange(new RoutingActivationRequest(0x0E00, 0));
            assertThat(a.exchange(new RoutingActivationRequest(0x0E05, 0))).isEqualTo(routing(0x0E05, 0x02));
        }
    }

    @Test
    void inactivity_noRoutingInTime_endsTheConnection() throws IOException {
        try (Tester idle = new Tester(entity.port())) {
            assertThat(idle.next()).isEqualTo(new Arrival.End());
        }
        try (Tester active = new Tester(entity.port())) {
            active.exchange(new RoutingActivationRequest(0x0E00, 0));
            long began = System.nanoTime();
            assertThat(active.next()).isEqualTo(new Arrival.End());
            assertThat(System.nanoTime() - began).isGreaterThan(QUICK.initial().toNanos());
        }
    }

    @Test
    void wireless_lost_nothingIsAnsweredUntilItIsBack() throws IOException {
        try (Tester tester = new Tester(entity.port())) {
            tester.exchange(new RoutingActivationRequest(0x0E00, 0));
            entity.mute(true);
            tester.send(new DiagnosticMessage(0x0E00, 0x1040, Bytes.parse("3E00")));
            assertThat(DoipDiscovery.ask(
                            HOST, entity.port(), new DoipMessage.DiagnosticPowerModeInformationRequest(), PATIENCE))
                    .isEmpty();
            entity.mute(false);
            assertThat(tester.exchange(new DiagnosticMessage(0x0E00, 0x1040, Bytes.parse("3E00"))))
                    .isEqualTo(new Arrival.Message(new DiagnosticMessagePositiveAcknowledge(0x1040, 0x0E00)));
        }
    }

    @Test
    void cable_out_nobodyGetsIn() throws IOException {
        entity.unplugged(true);
        try (Tester tester = new Tester(entity.port())) {
            assertThrows(IOException.class, () -> {
                if (tester.exchange(new RoutingActivationRequest(0x0E00, 0)) instanceof Arrival.End)
                    throw new IOException("cut");
            });
        }
        entity.unplugged(false);
        try (Tester tester = new Tester(entity.port())) {
            assertThat(tester.exchange(new RoutingActivationRequest(0x0E00, 0))).isEqualTo(routing(0x0E00, 0x10));
        }
    }
}
