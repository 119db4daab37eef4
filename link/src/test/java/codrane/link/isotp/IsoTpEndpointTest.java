package codrane.link.isotp;

import static org.assertj.core.api.Assertions.assertThat;

import codrane.core.octets.Bytes;
import codrane.link.can.CanFrame;
import codrane.link.can.CanPort;
import codrane.link.can.FrameFault.Fate;
import codrane.link.can.SimulatedBus;
import codrane.link.isotp.IsoTpEndpoint.Outcome;
import codrane.link.time.VirtualTime;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class IsoTpEndpointTest {
    private final VirtualTime time = new VirtualTime();
    private final SimulatedBus bus = new SimulatedBus(time, SimulatedBus.Rates.of(500_000));
    private final List<Bytes> received = new ArrayList<>();
    private final List<Outcome> outcomes = new ArrayList<>();
    private final List<Outcome> broken = new ArrayList<>();
    private final List<Long> gaps = new ArrayList<>();
    private long lastConsecutive = -1;

    private IsoTpEndpoint endpoint(int sendId, int receiveId, IsoTpSettings settings) {
        CanPort port = bus.attach();
        IsoTpEndpoint endpoint =
                new IsoTpEndpoint(time, port, IsoTpAddressing.normal(sendId, receiveId, false), settings);
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
        IsoTpSettings small = IsoTpSettings.STANDARD.receivingUpTo(100);
        pair(small).send(message(101, new Random(1)), outcomes::add);
        time.advance(Duration.ofSeconds(3));
        assertThat(outcomes).containsExactly(Outcome.OVERFLOW);
        assertThat(received).isEmpty();
    }

    @Test
    void send_escapedLength_arrivesWhenTheReceiverTakesIt() {
        IsoTpSettings large = IsoTpSettings.STANDARD.receivingUpTo(10_000);
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

    private IsoTpEndpoint on(IsoTpAddressing addressing, IsoTpSettings settings) {
        CanPort port = bus.attach();
        IsoTpEndpoint endpoint = new IsoTpEndpoint(time, port, addressing, settings);
        port.listen(endpoint::onFrame);
        endpoint.onMessage(received::add);
        endpoint.onBroken(broken::add);
        return endpoint;
    }

    @ParameterizedTest
    @CsvSource({"8, 7", "12, 11", "24, 10", "64, 62", "64, 63", "64, 4095", "48, 9000"})
    void send_canFdFrames_arriveWhole(int frameOctets, int length) {
        IsoTpSettings settings = IsoTpSettings.STANDARD.withFrames(frameOctets).receivingUpTo(10_000);
        on(IsoTpAddressing.normal(0x18DAF140, 0x18DA40F1, true), settings.asking(5, Duration.ofMillis(1)));
        Bytes message = message(length, new Random(length));
        on(IsoTpAddressing.normal(0x18DA40F1, 0x18DAF140, true), settings).send(message, outcomes::add);
        time.advance(Duration.ofSeconds(5));
        assertThat(received).containsExactly(message);
        assertThat(outcomes).containsExactly(Outcome.DONE);
    }

    @Test
    void send_extendedAddressing_reachesTheOneMeant() {
        List<Bytes> others = new ArrayList<>();
        on(IsoTpAddressing.extended(0x6F1, 0xF1, 0x6A0, 0x24), IsoTpSettings.STANDARD);
        IsoTpEndpoint other = on(IsoTpAddressing.extended(0x6F2, 0xF1, 0x6A0, 0x25), IsoTpSettings.STANDARD);
        other.onMessage(others::add);
        Bytes message = message(300, new Random(9));
        on(IsoTpAddressing.extended(0x6A0, 0x24, 0x6F1, 0xF1), IsoTpSettings.STANDARD)
                .send(message, outcomes::add);
        time.advance(Duration.ofSeconds(2));
        assertThat(received).containsExactly(message);
        assertThat(others).isEmpty();
    }

    @Test
    void frames_paddedOrNot_haveTheLengthThatIsAsked() {
        List<Integer> lengths = new ArrayList<>();
        bus.tap((frame, nanos) -> lengths.add(frame.data().length()));
        IsoTpAddressing addressing = IsoTpAddressing.normal(0x4CE, 0x4CF, false);
        on(addressing, IsoTpSettings.STANDARD).send(Bytes.parse("3E00"), outcomes::add);
        on(addressing, IsoTpSettings.STANDARD.withPadding(OptionalInt.empty()))
                .send(Bytes.parse("3E00"), outcomes::add);
        on(addressing, IsoTpSettings.STANDARD.withFrames(64)).send(Bytes.filled(9, 1), outcomes::add);
        time.advance(Duration.ofMillis(20));
        assertThat(lengths).containsExactly(8, 3, 12);
    }

    @Test
    void receive_busyModule_sendsWaitsAndThenTakesTheMessage() {
        IsoTpSettings busy = IsoTpSettings.STANDARD.asking(new IsoTpSettings.Flow(0, Duration.ZERO, 3, 8));
        Bytes message = message(40, new Random(8));
        pair(busy).send(message, outcomes::add);
        time.advance(Duration.ofMillis(850));
        assertThat(received).isEmpty();
        time.advance(Duration.ofMillis(150));
        assertThat(received).containsExactly(message);
        assertThat(outcomes).containsExactly(Outcome.DONE);
    }

    @Test
    void send_reservedFlowStatus_endsTheTransfer() {
        endpoint(0x4CE, 0x4CF, IsoTpSettings.STANDARD).send(message(20, new Random(7)), outcomes::add);
        time.advance(Duration.ofMillis(5));
        bus.attach().send(new CanFrame(0x4CF, false, Bytes.parse("350000")), () -> {});
        time.advance(Duration.ofMillis(5));
        assertThat(outcomes).containsExactly(Outcome.INVALID_FLOW);
    }

    @Test
    void send_nodeOffTheBus_endsWithSendTimeout() {
        CanPort port = bus.attach();
        IsoTpEndpoint endpoint =
                new IsoTpEndpoint(time, port, IsoTpAddressing.normal(0x4CE, 0x4CF, false), IsoTpSettings.STANDARD);
        bus.off(port, true);
        endpoint.send(Bytes.parse("3E00"), outcomes::add);
        time.advance(Duration.ofMillis(1001));
        assertThat(outcomes).containsExactly(Outcome.SEND_TIMEOUT);
    }

    @ParameterizedTest
    @CsvSource({"2105060708090A0B", "300000", "FF00", "00CCCC", "1003010203"})
    void receive_frameThatIsNotAwaited_isIgnored(String octets) {
        IsoTpEndpoint tester = pair(IsoTpSettings.STANDARD);
        bus.attach().send(new CanFrame(0x4CE, false, Bytes.parse(octets)), () -> {});
        bus.attach().send(new CanFrame(0x4CF, false, Bytes.parse("300000")), () -> {});
        time.advance(Duration.ofMillis(5));
        assertThat(received).isEmpty();
        assertThat(broken).isEmpty();
        tester.send(Bytes.parse("3E00"), outcomes::add);
        time.advance(Duration.ofMillis(5));
        assertThat(received).containsExactly(Bytes.parse("3E00"));
    }

    @Test
    void receive_frameTwice_isWrongSequence() {
        IsoTpEndpoint tester = pair(IsoTpSettings.STANDARD);
        bus.fault((frame, nanos) -> frame.data().u8(0) == 0x22 ? new Fate.Duplicate() : new Fate.Deliver());
        tester.send(message(40, new Random(10)), outcomes::add);
        time.advance(Duration.ofSeconds(2));
        assertThat(received).isEmpty();
        assertThat(broken).containsExactly(Outcome.WRONG_SEQUENCE);
    }
}
