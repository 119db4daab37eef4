package codrane.link.isotp;

import codrane.core.octets.Bytes;
import codrane.link.isotp.IsoTpEndpoint.Outcome;
import codrane.link.isotp.IsoTpFrame.ConsecutiveFrame;
import codrane.link.isotp.IsoTpFrame.FirstFrame;
import codrane.link.isotp.IsoTpFrame.FlowControl;
import codrane.link.isotp.IsoTpFrame.FlowStatus;
import codrane.link.time.Scheduler;
import java.util.function.BiConsumer;
import java.util.function.Consumer;

/** Receives one segmented message. */
final class IsoTpReceiver {
    private final Scheduler time;
    private final IsoTpSettings settings;
    private final BiConsumer<IsoTpFrame, Runnable> wire;
    private final Consumer<Bytes> onMessage;
    private final Consumer<Outcome> onBroken;
    private final byte[] message;
    private int at;
    private int sequence = 1;
    private int left;
    private boolean stopped;
    private Scheduler.Timer timeout = () -> {};

    IsoTpReceiver(
            Scheduler time,
            IsoTpSettings settings,
            BiConsumer<IsoTpFrame, Runnable> wire,
            FirstFrame first,
            Consumer<Bytes> onMessage,
            Consumer<Outcome> onBroken) {
        this.time = time;
        this.settings = settings;
        this.wire = wire;
        this.onMessage = onMessage;
        this.onBroken = onBroken;
        message = new byte[(int) first.length()];
        take(first.data());
    }

    void start() {
        askForMore();
    }

    private void askForMore() {
        left = settings.blockSize() == 0 ? Integer.MAX_VALUE : settings.blockSize();
        wire.accept(
                new FlowControl(FlowStatus.CONTINUE, settings.blockSize(), settings.separationTime()), this::awaitNext);
    }

    private void awaitNext() {
        timeout.cancel();
        if (!stopped) timeout = time.after(settings.consecutiveTimeout(), () -> end(Outcome.CONSECUTIVE_TIMEOUT));
    }

    void onConsecutive(ConsecutiveFrame frame) {
        if (frame.sequence() != sequence) {
            end(Outcome.WRONG_SEQUENCE);
            return;
        }
        sequence = (sequence + 1) & 0xF;
        int needed = Math.min(ConsecutiveFrame.MOST, message.length - at);
        if (frame.data().length() < needed) {
            end(Outcome.WRONG_SEQUENCE);
            return;
        }
        take(frame.data().slice(0, needed));
        if (at == message.length) {
            stop();
            onMessage.accept(Bytes.copyOf(message));
        } else if (left != Integer.MAX_VALUE && --left == 0) {
            timeout.cancel();
            askForMore();
        } else {
            awaitNext();
        }
    }

    private void take(Bytes data) {
        System.arraycopy(data.toArray(), 0, message, at, data.length());
        at += data.length();
    }

    private void end(Outcome outcome) {
        stop();
        onBroken.accept(outcome);
    }

    void stop() {
        stopped = true;
        timeout.cancel();
    }
}
