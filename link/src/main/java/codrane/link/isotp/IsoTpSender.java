package codrane.link.isotp;

import codrane.core.octets.Bytes;
import codrane.link.can.CanPort;
import codrane.link.isotp.IsoTpEndpoint.Outcome;
import codrane.link.isotp.IsoTpFrame.ConsecutiveFrame;
import codrane.link.isotp.IsoTpFrame.FlowControl;
import codrane.link.isotp.IsoTpFrame.SingleFrame;
import codrane.link.time.Scheduler;
import codrane.link.time.Watchdog;
import java.time.Duration;
import java.util.function.Consumer;

/** Sends one message: in a single frame, or segmented as the other side's flow control allows. */
final class IsoTpSender {
    private final Scheduler time;
    private final IsoTpSettings settings;
    private final IsoTpLayout layout;
    private final CanPort port;
    private final Bytes message;
    private final Consumer<Outcome> done;
    private int at;
    private int sequence = 1;
    private int allowed;
    private int inFlight;
    private int waits;
    private boolean resting;
    private boolean finished;
    private Duration separation = Duration.ZERO;
    private final Watchdog timeout;

    IsoTpSender(
            Scheduler time,
            IsoTpSettings settings,
            IsoTpLayout layout,
            CanPort port,
            Bytes message,
            Consumer<Outcome> done) {
        this.time = time;
        timeout = new Watchdog(time);
        this.settings = settings;
        this.layout = layout;
        this.port = port;
        this.message = message;
        this.done = done;
    }

    void start() {
        if (message.length() <= layout.singleMost()) {
            at = message.length();
            transmit(new SingleFrame(message), () -> finish(Outcome.DONE));
        } else {
            at = layout.firstRoom(message.length());
            transmit(layout.first(message), this::awaitFlow);
        }
    }

    private void transmit(IsoTpFrame frame, Runnable sent) {
        expectWithin(settings.timeouts().send(), Outcome.SEND_TIMEOUT);
        port.send(layout.frame(frame), sent);
    }

    private void expectWithin(Duration span, Outcome otherwise) {
        if (!finished) timeout.expectWithin(span, () -> finish(otherwise));
    }

    /** A flow control that came before our frame's own echo has been served already. */
    private void awaitFlow() {
        if (allowed == 0) expectWithin(settings.timeouts().flow(), Outcome.FLOW_TIMEOUT);
    }

    void onFlow(FlowControl flow) {
        if (finished || allowed > 0 || at == message.length()) return; // not awaited: ignored
        switch (flow.status()) {
            case OVERFLOW -> finish(Outcome.OVERFLOW);
            case WAIT -> {
                if (++waits > settings.asked().mostWaits()) finish(Outcome.TOO_MANY_WAITS);
                else awaitFlow();
            }
            case CONTINUE -> {
                timeout.rest();
                waits = 0;
                separation = flow.separationTime();
                allowed = flow.blockSize() == 0 ? Integer.MAX_VALUE : flow.blockSize();
                pump();
            }
        }
    }

    void onInvalidFlow() {
        if (!finished && allowed == 0 && at < message.length()) finish(Outcome.INVALID_FLOW);
    }

    /** Without a separation time frames may queue up to the window; with one each waits for the one before. */
    private void pump() {
        int most = separation.isZero() ? port.window() : 1;
        while (!finished && !resting && inFlight < most && allowed > 0 && at < message.length()) sendNext();
    }

    private void sendNext() {
        int length = Math.min(layout.consecutiveRoom(), message.length() - at);
        ConsecutiveFrame frame = new ConsecutiveFrame(sequence, message.slice(at, length));
        sequence = (sequence + 1) & 0xF;
        at += length;
        if (allowed != Integer.MAX_VALUE) allowed--;
        inFlight++;
        transmit(frame, this::sent);
    }

    private void sent() {
        inFlight--;
        if (finished) return;
        if (inFlight == 0) timeout.rest();
        if (at == message.length()) {
            if (inFlight == 0) finish(Outcome.DONE);
        } else if (allowed == 0) {
            if (inFlight == 0) awaitFlow();
        } else if (separation.isZero()) {
            pump();
        } else {
            rest();
        }
    }

    private void rest() {
        resting = true;
        time.after(separation, () -> {
            resting = false;
            pump();
        });
    }

    void finish(Outcome outcome) {
        if (finished) return;
        finished = true;
        timeout.rest();
        done.accept(outcome);
    }
}
