package codrane.link.can;

import java.util.function.Consumer;
import java.util.function.IntPredicate;

/** One node's access to a bus. To be used from the bus's scheduler only. */
public interface CanPort {
    /** @param sent runs when the frame has left on the wire; never while the node is off the bus */
    void send(CanFrame frame, Runnable sent);

    /** Frames of all other nodes whose identifier is wanted. */
    void listen(IntPredicate wanted, Consumer<CanFrame> listener);

    /** Frames of all other nodes. */
    default void listen(Consumer<CanFrame> listener) {
        listen(id -> true, listener);
    }

    /** How many frames may wait for their {@code sent} without losing their order or the bus: at least 1. */
    int window();
}
