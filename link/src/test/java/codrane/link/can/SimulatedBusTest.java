package codrane.link.can;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;

import codrane.core.octets.Bytes;
import codrane.link.time.PacedTime;
import codrane.link.time.VirtualTime;
import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SimulatedBusTest {
    private static final String EIGHT = "0011223344556677";

    private static CanFrame frame(int id) {
        return new CanFrame(id, false, Bytes.parse("0322F190CCCCCCCC"));
    }

    @Test
    void send_twoAtOnce_lowestIdentifierFirstEachForItsBits() {
        VirtualTime time = new VirtualTime();
        SimulatedBus bus = new SimulatedBus(time, SimulatedBus.Rates.of(500_000));
        List<String> order = new ArrayList<>();
        bus.tap((f, nanos) -> order.add("%03X@%d".formatted(f.id(), nanos)));
        CanPort a = bus.attach();
        CanPort b = bus.attach();
        CanPort c = bus.attach();
        a.send(frame(0x500), () -> {});
        b.send(frame(0x448), () -> {});
        c.send(frame(0x447), () -> {});
        time.advance(Duration.ofMillis(5));
        long first = frame(0x500).nanos(500_000, 500_000);
        long second = first + frame(0x447).nanos(500_000, 500_000);
        long third = second + frame(0x448).nanos(500_000, 500_000);
        assertThat(order).containsExactly("500@" + first, "447@" + second, "448@" + third);
        assertThat(bus.busyNanos()).isEqualTo(third);
    }

    @Test
    void priority_standardFrame_winsAgainstExtendedOfTheSameLeadingBits() {
        CanFrame standard = frame(0x18D);
        CanFrame extended = new CanFrame(0x18D << 18, true, Bytes.EMPTY);
        assertThat(standard.priority()).isLessThan(extended.priority());
        assertThat(frame(0x18E).priority()).isGreaterThan(extended.priority());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "448#0322F190CCCCCCCC",
                "18DA10F1#02",
                "000#",
                "(12.000345) 7FF#FF",
                "448##1112233",
                "18DA40F1##0" + EIGHT + EIGHT + EIGHT
            })
    void canText_frames_roundTrip(String line) {
        CanFrame frame = CanText.parse(line).orElseThrow();
        assertThat(line).endsWith(CanText.of(frame));
        assertThat(CanText.parse(CanText.of(frame, 12_000_345_000L))).contains(frame);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "448",
                "448#0",
                "800#00",
                "448#001122334455667788",
                "FFFFFFFF#00",
                "44#00",
                "rubbish",
                "448##",
                "448##1" + EIGHT + "00"
            })
    void canText_rubbish_isNoFrame(String line) {
        assertThat(CanText.parse(line)).isEmpty();
    }

    @Test
    void hub_tester_hearsItsOwnFrameBackAndIgnoresRubbish() throws Exception {
        try (PacedTime time = new PacedTime("bus")) {
            SimulatedBus bus = new SimulatedBus(time, SimulatedBus.Rates.of(500_000));
            try (CanHub hub = new CanHub(bus, time, 0);
                    Socket socket = new Socket(InetAddress.getLoopbackAddress(), hub.port());
                    BufferedReader in = new BufferedReader(
                            new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII))) {
                socket.setSoTimeout(5000);
                socket.getOutputStream().write("what is this\n(1.5) 448#023E00\n".getBytes(StandardCharsets.US_ASCII));
                assertThat(in.readLine()).matches("\\(\\d+\\.\\d{6}\\) 448#023E00");
            }
        }
    }

    @Test
    void send_canFd_takesBothRates() {
        VirtualTime time = new VirtualTime();
        SimulatedBus bus = new SimulatedBus(time, new SimulatedBus.Rates(500_000, 2_000_000));
        CanFrame slow = new CanFrame(0x448, false, CanFrame.Format.FD, Bytes.filled(64, 0x5A));
        CanFrame fast = new CanFrame(0x448, false, CanFrame.Format.FD_SWITCHED, Bytes.filled(64, 0x5A));
        CanPort port = bus.attach();
        port.send(slow, () -> {});
        time.advance(Duration.ofMillis(5));
        long slowNanos = bus.busyNanos();
        port.send(fast, () -> {});
        time.advance(Duration.ofMillis(5));
        assertThat(bus.busyNanos() - slowNanos).isBetween(slowNanos / 4, slowNanos / 3);
    }

    @Test
    void off_node_neitherSendsNorHearsUntilItIsBack() {
        VirtualTime time = new VirtualTime();
        SimulatedBus bus = new SimulatedBus(time, SimulatedBus.Rates.of(500_000));
        List<CanFrame> heard = new ArrayList<>();
        CanPort node = bus.attach();
        CanPort other = bus.attach();
        node.listen(heard::add);
        bus.off(node, true);
        other.send(frame(0x448), () -> {});
        node.send(frame(0x449), () -> heard.add(frame(0x449)));
        time.advance(Duration.ofMillis(5));
        assertThat(heard).isEmpty();
        bus.off(node, false);
        other.send(frame(0x448), () -> {});
        time.advance(Duration.ofMillis(5));
        assertThat(heard).containsExactly(frame(0x448));
    }

    @Test
    void listen_onlyWhatIsWanted_isHeard() {
        VirtualTime time = new VirtualTime();
        SimulatedBus bus = new SimulatedBus(time, SimulatedBus.Rates.of(500_000));
        List<CanFrame> heard = new ArrayList<>();
        bus.attach().listen(id -> id == 0x449, heard::add);
        CanPort sender = bus.attach();
        sender.send(frame(0x448), () -> {});
        sender.send(frame(0x449), () -> {});
        time.advance(Duration.ofMillis(5));
        assertThat(heard).containsExactly(frame(0x449));
    }

    @Test
    void frame_ofALengthThatCanFdDoesNotHave_isRefused() {
        Bytes nine = Bytes.filled(9, 0);
        assertThrows(IllegalArgumentException.class, () -> new CanFrame(1, false, CanFrame.Format.FD, nine));
        assertThrows(IllegalArgumentException.class, () -> new CanFrame(1, false, nine));
    }
}
