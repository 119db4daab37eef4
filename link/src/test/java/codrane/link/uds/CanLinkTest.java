package codrane.link.uds;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertThrows;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.core.uds.ResponseCode.Known;
import codrane.link.DiagnosticLink;
import codrane.link.LinkLostException;
import codrane.link.can.CanPort;
import codrane.link.can.SimulatedBus;
import codrane.link.isotp.IsoTpAddressing;
import codrane.link.isotp.IsoTpEndpoint;
import codrane.link.isotp.IsoTpSettings;
import codrane.link.time.VirtualTime;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;

/** The tester's side of UDS: P2, response pending, answers that are not ours. */
class CanLinkTest {
    private static final PackLink.Can ADDRESSING = new PackLink.Can(
            500_000, Optional.empty(), false, new PackLink.Ids(0x400, 2), new PackLink.Ids(0x401, 2), 0x7DF);
    private static final Waits WAITS = new Waits(Duration.ofMillis(50), Duration.ofSeconds(5));
    private static final int LIFT = 0x67;

    private final VirtualTime time = new VirtualTime();
    private final SimulatedBus bus = new SimulatedBus(time, SimulatedBus.Rates.of(500_000));
    private final CanLink link = CanLink.on(time, bus.attach(), ADDRESSING);
    private final List<Bytes> asked = new ArrayList<>();
    private IsoTpEndpoint module;

    private void answering(Consumer<Bytes> answer) {
        answering(IsoTpSettings.STANDARD, answer);
    }

    private void answering(IsoTpSettings settings, Consumer<Bytes> answer) {
        CanPort port = bus.attach();
        module = new IsoTpEndpoint(time, port, IsoTpAddressing.normal(0x4CF, 0x4CE, false), settings);
        port.listen(module::onFrame);
        module.onMessage(request -> {
            asked.add(request);
            answer.accept(request);
        });
    }

    private void after(long millis, String hex) {
        time.after(Duration.ofMillis(millis), () -> module.send(Bytes.parse(hex), outcome -> {}));
    }

    private Reply ask(String hex) {
        return link.request(LIFT, Bytes.parse(hex), WAITS);
    }

    @Test
    void request_answerInTime_isPositive() {
        answering(request -> after(49, "62F18931"));
        assertThat(ask("22F189")).isEqualTo(new Reply.Positive(Bytes.parse("62F18931")));
    }

    @Test
    void request_answerAboveTheShortLengths_arrivesWhole() {
        Bytes data = Bytes.filled(70_000, 0x5A);
        answering(request -> module.send(Bytes.parse("62F1A0").plus(data), outcome -> {}));
        assertThat(ask("22F1A0"))
                .isEqualTo(new Reply.Positive(Bytes.parse("62F1A0").plus(data)));
    }

    @Test
    void request_thatCouldNotBeSent_tellsTheTimeThatWasWaited() {
        time.advance(Duration.ofMinutes(10)); // the clock has not just begun
        Reply reply = ask("22F190F18CF189F191"); // a flow control never comes
        assertThat(((Reply.Silent) reply).waited()).isBetween(Duration.ofMillis(900), Duration.ofMillis(1200));
    }

    @Test
    void request_noModule_isSilentAfterP2() {
        assertThat(ask("3E00")).isInstanceOf(Reply.Silent.class);
        assertThat(time.now())
                .isBetween(
                        Duration.ofMillis(50).toNanos(), Duration.ofMillis(120).toNanos());
    }

    @Test
    void request_answerAfterP2_isSilentAndItsLateAnswerIsNotTheNextOnes() {
        answering(request -> after(request.u8(0) == 0x22 ? 150 : 5, request.u8(0) == 0x22 ? "62F18931" : "7E00"));
        assertThat(ask("22F189")).isInstanceOf(Reply.Silent.class);
        time.advance(Duration.ofMillis(60));
        assertThat(ask("3E00")).isEqualTo(new Reply.Positive(Bytes.parse("7E00")));
    }

    @Test
    void request_lateAnswerAboutAnotherIdentifier_isNotTakenForThisOnes() {
        answering(request -> {
            boolean first = request.u8(2) == 0x89;
            after(first ? 150 : 45, first ? "62F18931" : "62F18C32");
        });
        assertThat(ask("22F189")).isInstanceOf(Reply.Silent.class);
        time.advance(Duration.ofMillis(40));
        assertThat(ask("22F18C")).isEqualTo(new Reply.Positive(Bytes.parse("62F18C32")));
    }

    /** Its first frame stills the timer: when it is about something else, the wait for the answer goes on, and ends. */
    @Test
    void request_longLateAnswerAboutAnotherIdentifier_thenNothing_isSilentAndNotWaitedForWithoutEnd() {
        answering(request -> after(20, "62F190" + "41".repeat(17)));
        assertThat(ask("22F18C")).isInstanceOf(Reply.Silent.class);
        assertThat(time.now()).isLessThan(Duration.ofMillis(300).toNanos());
    }

    @Test
    void request_longLateAnswerAboutAnotherIdentifier_doesNotKeepTheRightOneAway() {
        answering(request -> {
            after(10, "62F190" + "41".repeat(17));
            after(45, "62F18C32");
        });
        assertThat(ask("22F18C")).isEqualTo(new Reply.Positive(Bytes.parse("62F18C32")));
    }

    /** The module takes a frame in 100 ms; meanwhile it answers what was asked long before. */
    @Test
    void request_longLateAnswerWhileTheRequestIsStillBeingSent_doesNotEndTheWait() {
        answering(IsoTpSettings.STANDARD.asking(0, Duration.ofMillis(100)), request -> after(5, "6E0150"));
        after(10, "62F190" + "41".repeat(17));
        assertThat(ask("2E0150" + "5A".repeat(60))).isEqualTo(new Reply.Positive(Bytes.parse("6E0150")));
    }

    @Test
    void request_answerOfAnotherRoutine_isForeign() {
        answering(request -> {
            after(5, "7101020100");
            after(20, "7101020300");
        });
        assertThat(ask("31010203")).isEqualTo(new Reply.Positive(Bytes.parse("7101020300")));
    }

    @Test
    void request_severalIdentifiers_mayBeAnsweredInPart() {
        answering(request -> after(5, "62F18C32"));
        assertThat(ask("22F189F18C")).isEqualTo(new Reply.Positive(Bytes.parse("62F18C32")));
    }

    @Test
    void request_pendingManyTimes_waitsWithTheExtendedTime() {
        answering(request -> {
            for (int i = 0; i < 5; i++) after(40 + i * 4900L, "7F3178");
            after(40 + 5 * 4900L, "7101FF0000");
        });
        assertThat(ask("3101FF00")).isInstanceOf(Reply.Positive.class);
        assertThat(time.now()).isGreaterThan(Duration.ofSeconds(24).toNanos());
    }

    @Test
    void request_pendingThenNothing_isSilent() {
        answering(request -> after(40, "7F3178"));
        assertThat(ask("3101FF00")).isInstanceOf(Reply.Silent.class);
    }

    @Test
    void request_negative_isRefusedWithItsCode() {
        answering(request -> after(5, "7F2233"));
        assertThat(ask("22F189")).isEqualTo(new Reply.Refused(Known.SECURITY_ACCESS_DENIED.code()));
    }

    @Test
    void request_answersToOtherServices_areIgnored() {
        answering(request -> {
            after(5, "7F1011");
            after(10, "5003");
            after(15, "7E00");
        });
        assertThat(ask("3E00")).isEqualTo(new Reply.Positive(Bytes.parse("7E00")));
    }

    @Test
    void request_longAnswer_mayTakeLongerThanP2() {
        answering(request -> after(45, "62F189" + "AB".repeat(2000)));
        assertThat(((Reply.Positive) ask("22F189")).message().length()).isEqualTo(2003);
    }

    @Test
    void request_longRequest_arrivesWhole() {
        answering(request -> after(5, "7601"));
        assertThat(ask("3601" + "5A".repeat(1024))).isInstanceOf(Reply.Positive.class);
        assertThat(asked.getFirst().length()).isEqualTo(1026);
    }

    @Test
    void tell_expectsNothing() {
        answering(request -> {});
        link.tell(LIFT, Bytes.parse("3E80"));
        time.advance(Duration.ofMillis(5));
        assertThat(asked).containsExactly(Bytes.parse("3E80"));
    }

    @Test
    void open_nobodyListens_isLostWithAClearSentence() {
        LinkLostException lost = assertThrows(LinkLostException.class, () -> CanLink.open("127.0.0.1", 1, ADDRESSING));
        assertThat(lost.getMessage()).contains("The interface at 127.0.0.1:1 does not answer");
    }

    /** Modules 10 and 67 on one bus; each takes what is sent to all. */
    private void everyoneAnswers(int address, long millis, String hex) {
        CanPort port = bus.attach();
        int request = ADDRESSING.requestId(address);
        IsoTpEndpoint own = new IsoTpEndpoint(
                time, port, IsoTpAddressing.normal(request + 1, request, false), IsoTpSettings.STANDARD);
        IsoTpEndpoint all = new IsoTpEndpoint(
                time, port, IsoTpAddressing.normal(request + 1, 0x7DF, false), IsoTpSettings.STANDARD);
        all.onMessage(
                message -> time.after(Duration.ofMillis(millis), () -> own.send(Bytes.parse(hex), outcome -> {})));
        port.listen(frame -> {
            own.onFrame(frame);
            all.onFrame(frame);
        });
    }

    @Test
    void requestAll_severalModules_collectsShortAndLongAnswers() {
        everyoneAnswers(0x10, 10, "62F190" + "41".repeat(17));
        everyoneAnswers(0x67, 12, "7F2231");
        assertThat(link.requestAll(Bytes.parse("22F190"), WAITS))
                .containsExactlyInAnyOrder(
                        new DiagnosticLink.Heard(0x10, new Reply.Positive(Bytes.parse("62F190" + "41".repeat(17)))),
                        new DiagnosticLink.Heard(0x67, new Reply.Refused(Known.REQUEST_OUT_OF_RANGE.code())));
    }

    @Test
    void requestAll_nobodyThere_endsAfterP2() {
        assertThat(link.requestAll(Bytes.parse("3E00"), WAITS)).isEmpty();
        assertThat(time.now()).isLessThan(Duration.ofMillis(100).toNanos());
    }

    @Test
    void requestAll_longerThanOneFrame_isTheCallersMistake() {
        assertThrows(IllegalArgumentException.class, () -> link.requestAll(Bytes.filled(8, 0x22), WAITS));
    }
}
