package codrane.link.trace;

import codrane.core.octets.Bytes;

/**
 * One message of a trace, for people.
 *
 * @param nanos when its last frame was there, from the first event of the trace
 * @param gapNanos since the message before
 * @param module title, or an address or identifier when no module of the pack has it
 * @param fromTester whether it goes to the vehicle
 * @param kind what it is to somebody who looks for trouble
 * @param words what it says
 * @param data whole, service identifier first; or a frame's data when it belongs to no message
 * @param frames that carried it
 */
public record TraceLine(
        long nanos, long gapNanos, String module, boolean fromTester, Kind kind, String words, Bytes data, int frames) {
    /** Sorts of messages. */
    public enum Kind {
        MESSAGE,
        /** A block of a transfer, or what keeps a session: there are thousands. */
        ROUTINE,
        REFUSED,
        /** Not a whole message, not delivered, or not of this vehicle. */
        BROKEN
    }

    public boolean trouble() {
        return kind == Kind.REFUSED || kind == Kind.BROKEN;
    }
}
