package codrane.link.isotp;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.link.can.CanFrame;
import codrane.link.can.CanPort;
import codrane.link.isotp.IsoTpFrame.ConsecutiveFrame;
import codrane.link.isotp.IsoTpFrame.FirstFrame;
import codrane.link.isotp.IsoTpFrame.FlowControl;
import codrane.link.isotp.IsoTpFrame.FlowStatus;
import codrane.link.isotp.IsoTpFrame.InvalidFlow;
import codrane.link.isotp.IsoTpFrame.SingleFrame;
import codrane.link.time.Scheduler;
import java.time.Duration;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * One side of a conversation over a pair of CAN identifiers: sends and receives whole messages, one in each direction
 * at a time. Lives on the bus's scheduler. Frames that are malformed or not awaited are ignored, as the standard says;
 * a new single or first frame ends a reception that was under way.
 */
public final class IsoTpEndpoint {
    private final Scheduler time;
    private final CanPort port;
    private final IsoTpSettings settings;
    private final IsoTpLayout layout;
    private Consumer<Bytes> onMessage = message -> {};
    private Runnable onIncoming = () -> {};
    private Consumer<Outcome> onBroken = outcome -> {};
    private @Nullable IsoTpSender sender;
    private @Nullable IsoTpReceiver receiver;

    /** How a transfer ended. */
    public enum Outcome {
        DONE,
        /** N_As, N_Ar: the bus did not take our frame. */
        SEND_TIMEOUT,
        /** N_Bs. */
        FLOW_TIMEOUT,
        /** N_Cr. */
        CONSECUTIVE_TIMEOUT,
        WRONG_SEQUENCE,
        /** A flow control with a reserved status. */
        INVALID_FLOW,
        OVERFLOW,
        /** N_WFTmax. */
        TOO_MANY_WAITS,
        /** By another message in the same direction. */
        REPLACED
    }

    /** The caller hands in frames by {@link #onFrame}; ports have one listener. */
    public IsoTpEndpoint(Scheduler time, CanPort port, IsoTpAddressing addressing, IsoTpSettings settings) {
        this.time = time;
        this.port = port;
        this.settings = settings;
        layout = settings.layout(addressing);
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

    /** Whether a message of this length goes in a single frame; only such may be sent functionally. */
    public boolean fitsOneFrame(int length) {
        return length <= layout.singleMost();
    }

    /** @param done told how it ended; a message still being sent is given up and told so */
    public void send(Bytes message, Consumer<Outcome> done) {
        if (sender != null) sender.finish(Outcome.REPLACED);
        IsoTpSender next = new IsoTpSender(time, settings, layout, port, message, done);
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
        if (!layout.addressing().isForUs(frame)) return;
        if (!(layout.read(frame) instanceof DecodeResult.Decoded<IsoTpFrame>(IsoTpFrame decoded))) return;
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
            case InvalidFlow invalid -> {
                if (sender != null) sender.onInvalidFlow();
            }
        }
    }

    private void begin(FirstFrame first) {
        endReception();
        if (first.length() > settings.longest()) {
            FlowControl overflow = new FlowControl(FlowStatus.OVERFLOW, 0, Duration.ZERO);
            port.send(layout.frame(overflow), () -> {});
            return;
        }
        onIncoming.run();
        receiver = new IsoTpReceiver(time, settings, layout, port, first, this::received, this::broken);
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
}
