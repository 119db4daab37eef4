package codrane.core.pack;

import java.time.Duration;

/** How the vehicle is spoken to. */
public sealed interface PackLink {
    /**
     * Diagnostics over CAN: request id = base + times * address, response id follows the request.
     *
     * @param bitrate bits a second
     * @param extended 29-bit identifiers
     */
    record Can(
            int bitrate,
            boolean extended,
            int requestBase,
            int requestTimes,
            int responseAfterRequest,
            int functionalId)
            implements PackLink {
        public int requestId(int address) {
            return requestBase + requestTimes * address;
        }

        public int responseId(int address) {
            return requestId(address) + responseAfterRequest;
        }
    }

    /** Diagnostics over IP: logical address = base + address. */
    record Doip(int logicalBase, int testerAddress) implements PackLink {
        public int logicalAddress(int address) {
            return logicalBase + address;
        }
    }

    /** Times that the tester waits, see ISO 14229-2. */
    record Waits(Duration p2, Duration p2Star) {}
}
