package codrane.link.isotp;

import codrane.core.octets.Bytes;
import codrane.link.isotp.IsoTpEndpoint.Outcome;
import codrane.link.isotp.IsoTpFrame.ConsecutiveFrame;
import codrane.link.isotp.IsoTpFrame.FirstFrame;
import codrane.link.isotp.IsoTpFrame.FlowControl;
import codrane.link.time.Scheduler;
import java.time.Duration;
import java.util.function.BiConsumer;
import java.util.function.Consumer;

/** Sends one segmented message as the other side's flow control allows. */
final class IsoTpSender {
    private final Scheduler time;
    private final IsoTpSettings settings;
    private final int window;
    private final BiConsumer<IsoTpFrame, Runnable> wire;
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
    private Scheduler.Timer timeout = () -> {};

    IsoTpSender(
            Scheduler time,
            IsoTpSettings settings,
            int window,
            BiConsumer<IsoTpFrame, Runnable> wire,
            Bytes message,
            Consumer<Outcome> done) {
        this.time = time;
        this.settings = settings;
        this.window = window;
        this.wire = wire;
        this.message = message;
        this.done = done;
    }

    void start() {
        at = FirstFrame.room(message.length());
        wire.accept(new FirstFrame(message.length(), message.slice(0, at)), this::awaitFlow);
    }

    private void awaitFlow() {
        timeout.cancel();
        if (!finished && allowed == 0) timeout = time.after(settings.flowTimeout(), () -> finish(Outcome.FLOW_TIMEOUT));
    }

    void onFlow(FlowControl flow) {
        if (finished || allowed > 0) return; // not awaited: ignored
        switch (flow.status()) {
            case OVERFLOW -> finish(Outcome.OVERFLOW);
            case WAIT -> {
                if (++waits > settings.mostWaits()) finish(Outcome.TOO_MANY_WAITS);
                else awaitFlow();
            }
            case CONTINUE -> {
                timeout.cancel();
                waits = 0;
                separation = flow.separationTime();
                allowed = flow.blockSize() == 0 ? Integer.MAX_VALUE : flow.blockSize();
                pump();
            }
        }
    }

    /** Without a separation time frames may queue up to the window; with one each waits for the one before. */
    private void pump() {
        int most = separation.isZero() ? window : 1;
        while (!finished && !resting && inFlight < most && allowed > 0 && at < message.length()) sendNext();
    }

    private void sendNext() {
        int length = Math.min(ConsecutiveFrame.MOST, message.length() - at);
        ConsecutiveFrame frame = new ConsecutiveFrame(sequence, message.slice(at, length));
        sequence = (sequence + 1) & 0xF;
        at += length;
        if (allowed != Integer.MAX_VALUE) allowed--;
        inFlight++;
        wire.accept(frame, this::sent);
    }

    private void sent() {
        inFlight--;
        if (finished) return;
        if (at == message.length()) {
            if (inFlight == 0) finish(Outcome.DONE);
        } else if (allowed == 0) {
            if (inFlight == 0) awaitFlow();
        } else if (separation.isZero()) {
            pump();
        } else {
            resting = true;
            time.after(separation, () -> {
                resting = false;
                pump();
            });
        }
    }

    void finish(Outcome outcome) {
        if (finished) return;
        finished = true;
        timeout.cancel();
        done.accept(outcome);
    }
}
