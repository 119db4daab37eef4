package codrane.link.can;

import static org.assertj.core.api.Assertions.assertThat;

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
    private static CanFrame frame(int id) {
        return new CanFrame(id, false, Bytes.parse("0322F190CCCCCCCC"));
    }

    @Test
    void send_twoAtOnce_lowestIdentifierFirstEachForItsBits() {
        VirtualTime time = new VirtualTime();
        SimulatedBus bus = new SimulatedBus(time, 500_000, 1);
        List<String> order = new ArrayList<>();
        bus.tap((f, nanos) -> order.add("%03X@%d".formatted(f.id(), nanos)));
        CanPort a = bus.attach();
        CanPort b = bus.attach();
        CanPort c = bus.attach();
        a.send(frame(0x500), () -> {});
        b.send(frame(0x448), () -> {});
        c.send(frame(0x447), () -> {});
        time.advance(Duration.ofMillis(5));
        long first = frame(0x500).bits() * 2000L;
        long second = first + frame(0x447).bits() * 2000L;
        long third = second + frame(0x448).bits() * 2000L;
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
    @ValueSource(strings = {"448#0322F190CCCCCCCC", "18DA10F1#02", "000#", "(12.000345) 7FF#FF"})
    void canText_frames_roundTrip(String line) {
        CanFrame frame = CanText.parse(line).orElseThrow();
        assertThat(line).endsWith(CanText.of(frame));
        assertThat(CanText.parse(CanText.of(frame, 12_000_345_000L))).contains(frame);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "448", "448#0", "800#00", "448#001122334455667788", "FFFFFFFF#00", "44#00", "rubbish"})
    void canText_rubbish_isNoFrame(String line) {
        assertThat(CanText.parse(line)).isEmpty();
    }

    @Test
    void hub_tester_hearsItsOwnFrameBackAndIgnoresRubbish() throws Exception {
        try (PacedTime time = new PacedTime("bus")) {
            SimulatedBus bus = new SimulatedBus(time, 500_000, 1);
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
}
