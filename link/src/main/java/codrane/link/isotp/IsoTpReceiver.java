package codrane.link.isotp;

import codrane.core.octets.Bytes;
import codrane.link.can.CanPort;
import codrane.link.isotp.IsoTpEndpoint.Outcome;
import codrane.link.isotp.IsoTpFrame.ConsecutiveFrame;
import codrane.link.isotp.IsoTpFrame.FirstFrame;
import codrane.link.isotp.IsoTpFrame.FlowControl;
import codrane.link.isotp.IsoTpFrame.FlowStatus;
import codrane.link.time.Scheduler;
import codrane.link.time.Watchdog;
import java.time.Duration;
import java.util.function.Consumer;

/** Receives one segmented message. */
final class IsoTpReceiver {
    private final Scheduler time;
    private final IsoTpSettings settings;
    private final IsoTpLayout layout;
    private final CanPort port;
    private final Consumer<Bytes> onMessage;
    private final Consumer<Outcome> onBroken;
    private final byte[] message;
    /** Data octets of each consecutive frame but the last: as long as the first frame was. */
    private final int full;

    private int at;
    private int sequence = 1;
    private int left;
    private boolean stopped;
    private final Watchdog timeout;

    IsoTpReceiver(
            Scheduler time,
            IsoTpSettings settings,
            IsoTpLayout layout,
            CanPort port,
            FirstFrame first,
            Consumer<Bytes> onMessage,
            Consumer<Outcome> onBroken) {
        this.time = time;
        timeout = new Watchdog(time);
        this.settings = settings;
        this.layout = layout;
        this.port = port;
        this.onMessage = onMessage;
        this.onBroken = onBroken;
        message = new byte[(int) first.length()];
        full = first.data().length() + (first.length() <= IsoTpFrame.LONGEST_SHORT ? 1 : 5);
        take(first.data());
    }

    void start() {
        askForMore(settings.asked().waits());
    }

    /** @param waits wait frames that still come first */
    private void askForMore(int waits) {
        if (stopped) return;
        FlowControl flow = new FlowControl(
                waits > 0 ? FlowStatus.WAIT : FlowStatus.CONTINUE,
                settings.asked().blockSize(),
                settings.asked().separationTime());
        expectWithin(settings.timeouts().send(), Outcome.SEND_TIMEOUT);
        if (waits > 0) {
            port.send(layout.frame(flow), this::rest);
            time.after(settings.timeouts().betweenWaits(), () -> askForMore(waits - 1));
        } else {
            left = settings.asked().blockSize() == 0
                    ? Integer.MAX_VALUE
                    : settings.asked().blockSize();
            port.send(layout.frame(flow), this::awaitNext);
        }
    }

    private void rest() {
        timeout.rest();
    }

    private void awaitNext() {
        expectWithin(settings.timeouts().consecutive(), Outcome.CONSECUTIVE_TIMEOUT);
    }

    private void expectWithin(Duration span, Outcome otherwise) {
        if (!stopped) timeout.expectWithin(span, () -> end(otherwise));
    }

    void onConsecutive(ConsecutiveFrame frame) {
        int needed = Math.min(full, message.length - at);
        if (frame.sequence() != sequence || frame.data().length() < needed) {
            end(Outcome.WRONG_SEQUENCE);
            return;
        }
        sequence = (sequence + 1) & 0xF;
        take(frame.data(), needed);
        if (at == message.length) {
            stop();
            onMessage.accept(Bytes.owning(message));
        } else if (left != Integer.MAX_VALUE && --left == 0) {
            askForMore(settings.asked().waits());
        } else {
            awaitNext();
        }
    }

    private void take(Bytes data) {
        take(data, Math.min(data.length(), message.length));
    }

    private void take(Bytes data, int length) {
        data.copyInto(message, at, length);
        at += length;
    }

    private void end(Outcome outcome) {
        stop();
        onBroken.accept(outcome);
    }

    void stop() {
        stopped = true;
        timeout.rest();
    }
}
