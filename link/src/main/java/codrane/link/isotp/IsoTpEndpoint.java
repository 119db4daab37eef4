package codrane.link.isotp;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.link.can.CanFrame;
import codrane.link.can.CanPort;
import codrane.link.isotp.IsoTpFrame.ConsecutiveFrame;
import codrane.link.isotp.IsoTpFrame.FirstFrame;
import codrane.link.isotp.IsoTpFrame.FlowControl;
import codrane.link.isotp.IsoTpFrame.SingleFrame;
import codrane.link.time.Scheduler;
import java.util.function.Consumer;

/**
 * One side of a conversation over a pair of CAN identifiers: sends and receives whole messages, one in each direction
 * at a time. Lives on the bus's scheduler.
 */
public final class IsoTpEndpoint {
    private final Scheduler time;
    private final CanPort port;
    private final Addressing addressing;
    private final IsoTpSettings settings;
    private Consumer<Bytes> onMessage = message -> {};
    private Runnable onIncoming = () -> {};
    private Consumer<Outcome> onBroken = outcome -> {};
    private IsoTpSender sender;
    private IsoTpReceiver receiver;

    /**
     * @param sendId identifier of our frames
     * @param receiveId identifier of theirs
     */
    public record Addressing(int sendId, int receiveId, boolean extended) {}

    /** How a transfer ended. */
    public enum Outcome {
        DONE,
        FLOW_TIMEOUT,
        CONSECUTIVE_TIMEOUT,
        WRONG_SEQUENCE,
        OVERFLOW,
        TOO_MANY_WAITS,
        REPLACED
    }

    /** The caller hands in frames by {@link #onFrame}; ports have one listener. */
    public IsoTpEndpoint(Scheduler time, CanPort port, Addressing addressing, IsoTpSettings settings) {
        this.time = time;
        this.port = port;
        this.addressing = addressing;
        this.settings = settings;
    }

    public void onMessage(Consumer<Bytes> listener) {
        onMessage = listener;
    }

    /** Told when a segmented message begins to arrive. */
    public void onIncoming(Runnable listener) {
        onIncoming = listener;
    }

    /** Told when a reception ends without a message. */
    public void onBroken(Consumer<Outcome> listener) {
        onBroken = listener;
    }

    /** @param done told how it ended; a message still being sent is given up and told so */
    public void send(Bytes message, Consumer<Outcome> done) {
        if (sender != null) sender.finish(Outcome.REPLACED);
        if (message.length() <= SingleFrame.MOST) {
            transmit(new SingleFrame(message), () -> done.accept(Outcome.DONE));
            return;
        }
        IsoTpSender next = new IsoTpSender(time, settings, port.window(), this::transmit, message, done);
        sender = next;
        next.start();
    }

    /** Forgets what is under way, as a module does that loses power. */
    public void reset() {
        if (sender != null) sender.finish(Outcome.REPLACED);
        if (receiver != null) receiver.stop();
        sender = null;
        receiver = null;
    }

    public void onFrame(CanFrame frame) {
        if (frame.id() != addressing.receiveId() || frame.extended() != addressing.extended()) return;
        if (!(IsoTpFrame.decode(frame.data()) instanceof DecodeResult.Decoded<IsoTpFrame>(IsoTpFrame decoded))) return;
        switch (decoded) {
            case SingleFrame(Bytes data) -> {
                endReception();
                onMessage.accept(data);
            }
            case FirstFrame first -> begin(first);
            case ConsecutiveFrame consecutive -> {
                if (receiver != null) receiver.onConsecutive(consecutive);
            }
            case FlowControl flow -> {
                if (sender != null) sender.onFlow(flow);
            }
        }
    }

    private void begin(FirstFrame first) {
        endReception();
        if (first.length() > settings.longest()) {
            transmit(new FlowControl(IsoTpFrame.FlowStatus.OVERFLOW, 0, java.time.Duration.ZERO), () -> {});
            return;
        }
        onIncoming.run();
        receiver = new IsoTpReceiver(time, settings, this::transmit, first, this::received, this::broken);
        receiver.start();
    }

    private void endReception() {
        if (receiver == null) return;
        receiver.stop();
        broken(Outcome.REPLACED);
    }

    private void received(Bytes message) {
        receiver = null;
        onMessage.accept(message);
    }

    private void broken(Outcome outcome) {
        receiver = null;
        onBroken.accept(outcome);
    }

    private void transmit(IsoTpFrame frame, Runnable sent) {
        port.send(new CanFrame(addressing.sendId(), addressing.extended(), frame.encode()), sent);
    }
}
