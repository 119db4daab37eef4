package codrane.link.isotp;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.link.can.CanFrame;
import codrane.link.can.CanPort;
import codrane.link.can.FrameFault.Fate;
import codrane.link.can.SimulatedBus;
import codrane.link.isotp.IsoTpEndpoint.Addressing;
import codrane.link.isotp.IsoTpEndpoint.Outcome;
import codrane.link.time.VirtualTime;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class IsoTpEndpointTest {
    private final VirtualTime time = new VirtualTime();
    private final SimulatedBus bus = new SimulatedBus(time, 500_000, 1);
    private final List<Bytes> received = new ArrayList<>();
    private final List<Outcome> outcomes = new ArrayList<>();
    private final List<Outcome> broken = new ArrayList<>();
    private final List<Long> gaps = new ArrayList<>();
    private long lastConsecutive = -1;

    private IsoTpEndpoint endpoint(int sendId, int receiveId, IsoTpSettings settings) {
        CanPort port = bus.attach();
        IsoTpEndpoint endpoint = new IsoTpEndpoint(time, port, new Addressing(sendId, receiveId, false), settings);
        port.listen(endpoint::onFrame);
        return endpoint;
    }

    private IsoTpEndpoint pair(IsoTpSettings receiver) {
        IsoTpEndpoint other = endpoint(0x4CF, 0x4CE, receiver);
        other.onMessage(received::add);
        other.onBroken(broken::add);
        bus.tap((frame, nanos) -> {
            boolean consecutive = frame.id() == 0x4CE && frame.data().u8(0) >> 4 == 2;
            if (consecutive && lastConsecutive >= 0) gaps.add(nanos - lastConsecutive);
            lastConsecutive = consecutive ? nanos : -1; // a flow control may be followed at once
        });
        return endpoint(0x4CE, 0x4CF, IsoTpSettings.STANDARD);
    }

    private static Bytes message(int length, Random random) {
        byte[] octets = new byte[length];
        random.nextBytes(octets);
        return Bytes.copyOf(octets);
    }

    @Test
    void send_anyLengthBlockSizeAndSeparation_arrivesWhole() {
        Random random = new Random(41);
        for (int round = 0; round < 150; round++) {
            IsoTpEndpointTest one = new IsoTpEndpointTest();
            int blockSize = random.nextInt(20);
            Duration separation = random.nextBoolean()
                    ? Duration.ofMillis(random.nextInt(4))
                    : Duration.ofNanos((1 + random.nextInt(9)) * 100_000L);
            Bytes message = message(1 + random.nextInt(round % 3 == 0 ? 4095 : 60), random);
            one.pair(IsoTpSettings.STANDARD.asking(blockSize, separation)).send(message, one.outcomes::add);
            one.time.advance(Duration.ofSeconds(20));
            assertThat(one.received).containsExactly(message);
            assertThat(one.outcomes).containsExactly(Outcome.DONE);
            assertThat(one.gaps).allMatch(gap -> gap > separation.toNanos());
        }
    }

    @Test
    void send_longerThanTheReceiverTakes_endsWithOverflow() {
        IsoTpSettings small = new IsoTpSettings(0, Duration.ZERO, 100, 8, Duration.ofSeconds(1), Duration.ofSeconds(1));
        pair(small).send(message(101, new Random(1)), outcomes::add);
        time.advance(Duration.ofSeconds(3));
        assertThat(outcomes).containsExactly(Outcome.OVERFLOW);
        assertThat(received).isEmpty();
    }

    @Test
    void send_escapedLength_arrivesWhenTheReceiverTakesIt() {
        IsoTpSettings large =
                new IsoTpSettings(0, Duration.ZERO, 10_000, 8, Duration.ofSeconds(1), Duration.ofSeconds(1));
        Bytes message = message(9_999, new Random(2));
        pair(large).send(message, outcomes::add);
        time.advance(Duration.ofSeconds(3));
        assertThat(received).containsExactly(message);
    }

    @Test
    void send_nobodyThere_endsWithFlowTimeout() {
        endpoint(0x4CE, 0x4CF, IsoTpSettings.STANDARD).send(message(20, new Random(3)), outcomes::add);
        time.advance(Duration.ofMillis(999));
        assertThat(outcomes).isEmpty();
        time.advance(Duration.ofMillis(20));
        assertThat(outcomes).containsExactly(Outcome.FLOW_TIMEOUT);
    }

    @Test
    void receive_oneConsecutiveFrameDropped_isWrongSequenceAndNoMessage() {
        int[] seen = new int[1];
        IsoTpEndpoint tester = pair(IsoTpSettings.STANDARD);
        bus.fault((frame, nanos) ->
                frame.data().u8(0) >> 4 == 2 && seen[0]++ == 3 ? new Fate.Drop() : new Fate.Deliver());
        tester.send(message(100, new Random(4)), outcomes::add);
        time.advance(Duration.ofSeconds(3));
        assertThat(received).isEmpty();
        assertThat(broken).containsExactly(Outcome.WRONG_SEQUENCE);
    }

    @Test
    void receive_lastFramesDropped_isConsecutiveTimeout() {
        IsoTpEndpoint tester = pair(IsoTpSettings.STANDARD);
        bus.fault((frame, nanos) -> frame.data().u8(0) >> 4 == 2 ? new Fate.Drop() : new Fate.Deliver());
        tester.send(message(100, new Random(5)), outcomes::add);
        time.advance(Duration.ofSeconds(3));
        assertThat(broken).containsExactly(Outcome.CONSECUTIVE_TIMEOUT);
    }

    @Test
    void receive_delayedFrames_stillArrive() {
        IsoTpEndpoint tester = pair(IsoTpSettings.STANDARD.asking(1, Duration.ZERO));
        bus.fault((frame, nanos) -> new Fate.Delay(Duration.ofMillis(30)));
        Bytes message = message(40, new Random(6));
        tester.send(message, outcomes::add);
        time.advance(Duration.ofSeconds(3));
        assertThat(received).containsExactly(message);
    }

    @Test
    void receive_newMessageInTheMiddle_replacesTheOld() {
        pair(IsoTpSettings.STANDARD);
        CanPort raw = bus.attach();
        raw.send(new CanFrame(0x4CE, false, Bytes.parse("1014010203040506")), () -> {});
        time.advance(Duration.ofMillis(5));
        raw.send(new CanFrame(0x4CE, false, Bytes.parse("023E00CCCCCCCCCC")), () -> {});
        time.advance(Duration.ofMillis(5));
        assertThat(broken).containsExactly(Outcome.REPLACED);
        assertThat(received).containsExactly(Bytes.parse("3E00"));
    }

    @Test
    void send_tooManyWaits_givesUp() {
        IsoTpEndpoint tester = endpoint(0x4CE, 0x4CF, IsoTpSettings.STANDARD);
        tester.send(message(20, new Random(7)), outcomes::add);
        CanPort raw = bus.attach();
        for (int i = 0; i < 9; i++) {
            time.advance(Duration.ofMillis(500));
            raw.send(new CanFrame(0x4CF, false, Bytes.parse("310000")), () -> {});
        }
        time.advance(Duration.ofMillis(5));
        assertThat(outcomes).containsExactly(Outcome.TOO_MANY_WAITS);
    }
}
