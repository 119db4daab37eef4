package codrane.link.trace;

import codrane.core.octets.Bytes;
import codrane.link.can.CanFrame;

/** One thing seen on the wire. */
public sealed interface TraceEvent {
    /** @param nanos at the end of the frame */
    record Frame(CanFrame frame, long nanos) implements TraceEvent {}

    /** @param message of DoIP, header included */
    record Doip(boolean fromTester, Bytes message, long nanos) implements TraceEvent {}

    /** Octets of data. */
    default int octets() {
        return switch (this) {
            case Frame(CanFrame frame, long nanos) -> frame.data().length();
            case Doip(boolean fromTester, Bytes message, long nanos) -> message.length();
        };
    }

    /** Time by the clock of the link. */
    long nanos();
}
