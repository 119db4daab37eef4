package codrane.standin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;

import codrane.core.octets.Bytes;
import codrane.core.pack.Pack;
import codrane.core.pack.PackLink;
import codrane.core.run.Reply;
import codrane.core.scan.ModuleReading;
import codrane.core.uds.ResponseCode.Known;
import codrane.link.LinkLostException;
import codrane.link.doip.DoipLink;
import codrane.link.doip.DoipMessage;
import codrane.link.doip.DoipMessage.DiagnosticMessage;
import codrane.link.doip.DoipMessage.RoutingActivationRequest;
import codrane.link.doip.DoipStream;
import codrane.link.doip.DoipStream.Arrival;
import codrane.link.scan.VehicleScanner;
import codrane.standin.control.RunningVehicle;
import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The DoIP entity over real sockets: answers, and what it answers when it is asked wrongly. */
class DoipVehicleTest {
    private static final Pack WISP = TestPacks.load("tolvane-wisp");
    private static final PackLink.Doip ADDRESSING = (PackLink.Doip) WISP.link();
    private RunningVehicle vehicle;

    @BeforeEach
    void start() throws IOException {
        vehicle = Running.onDoip(Conditions.standard(WISP), 10);
    }

    @AfterEach
    void stop() throws IOException {
        vehicle.close();
    }

    /** A tester that sends what it likes. */
    private Arrival exchange(Bytes... messages) throws IOException {
        try (Socket socket = new Socket(InetAddress.getLoopbackAddress(), vehicle.doipPort())) {
            socket.setSoTimeout(5000);
            DoipStream in = new DoipStream(socket.getInputStream());
            Arrival last = null;
            for (Bytes message : messages) {
                socket.getOutputStream().write(message.toArray());
                last = in.next();
            }
            return last;
        }
    }

    private static Arrival message(DoipMessage message) {
        return new Arrival.Message(message);
    }

    @Test
    void scan_overDoip_readsAllModulesAndTheLockedGatewayRefusesTheRest() {
        try (DoipLink link = DoipLink.open("127.0.0.1", vehicle.doipPort(), ADDRESSING)) {
            Map<String, ModuleReading> readings = new VehicleScanner(link, WISP).scan(r -> {});
            assertThat(readings.values())
                    .hasSize(10)
                    .allMatch(ModuleReading::answers)
                    .allMatch(ModuleReading::faultsRead);
            var body = WISP.module("body");
            Reply clear = link.request(body.address(), Bytes.parse("14FFFFFF"), VehicleScanner.waits(body));
            assertThat(clear).isEqualTo(new Reply.Refused(Known.AUTHENTICATION_REQUIRED.code()));
            assertThat(link.request(0x99, Bytes.parse("3E00"), VehicleScanner.waits(body)))
                    .isInstanceOf(Reply.Silent.class);
        }
    }

    @Test
    void routing_sourceThatIsNoTester_isDenied() throws IOException {
        assertThat(exchange(new RoutingActivationRequest(0x1234, 0).encode()))
                .isEqualTo(message(new DoipMessage.RoutingActivationResponse(0x1234, 0x1000, 0x00)));
        assertThat(exchange(new RoutingActivationRequest(0x0E00, 0x77).encode()))
                .isEqualTo(message(new DoipMessage.RoutingActivationResponse(0x0E00, 0x1000, 0x06)));
        PackLink.Doip wrong = new PackLink.Doip(0x1000, 0x2000);
        assertThrows(LinkLostException.class, () -> DoipLink.open("127.0.0.1", vehicle.doipPort(), wrong));
    }

    @Test
    void diagnostic_withoutRoutingOrToAnUnknownTarget_isRefused() throws IOException {
        Bytes request = new DiagnosticMessage(0x0E00, 0x1040, Bytes.parse("3E00")).encode();
        assertThat(exchange(request))
                .isEqualTo(message(new DoipMessage.DiagnosticMessageNegativeAcknowledge(0x1040, 0x0E00, 0x02)));
        Bytes unknown = new DiagnosticMessage(0x0E00, 0x1099, Bytes.parse("3E00")).encode();
        assertThat(exchange(new RoutingActivationRequest(0x0E00, 0).encode(), unknown))
                .isEqualTo(message(new DoipMessage.DiagnosticMessageNegativeAcknowledge(0x1099, 0x0E00, 0x03)));
    }

    @Test
    void header_wrongVersionOrType_isNegativelyAcknowledged() throws IOException {
        assertThat(exchange(Bytes.parse("01FE000500000000")))
                .isEqualTo(message(new DoipMessage.GenericHeaderNegativeAcknowledge(0x00)));
        assertThat(exchange(Bytes.parse("02FD444400000000")))
                .isEqualTo(message(new DoipMessage.GenericHeaderNegativeAcknowledge(0x01)));
        assertThat(exchange(Bytes.parse("02FD8001FFFFFFFF")))
                .isEqualTo(message(new DoipMessage.GenericHeaderNegativeAcknowledge(0x02)));
    }

    @Test
    void link_cut_isLostAndCanBeOpenedAgain() {
        var body = WISP.module("body");
        try (DoipLink link = DoipLink.open("127.0.0.1", vehicle.doipPort(), ADDRESSING)) {
            vehicle.cut();
            assertThrows(LinkLostException.class, () -> {
                for (int i = 0; i < 3; i++)
                    link.request(body.address(), Bytes.parse("3E00"), VehicleScanner.waits(body));
            });
        }
        try (DoipLink again = DoipLink.open("127.0.0.1", vehicle.doipPort(), ADDRESSING)) {
            assertThat(again.request(body.address(), Bytes.parse("3E00"), VehicleScanner.waits(body)))
                    .isInstanceOf(Reply.Positive.class);
        }
    }
}
