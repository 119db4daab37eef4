package codrane.link.can;

import java.util.function.Consumer;

/** One node's access to a bus. To be used from the bus's scheduler only. */
public interface CanPort {
    /** @param sent runs when the frame has left on the wire */
    void send(CanFrame frame, Runnable sent);

    /** Frames of all other nodes. */
    void listen(Consumer<CanFrame> listener);

    /** How many frames may wait for their {@code sent} without losing their order or the bus: at least 1. */
    int window();
}
