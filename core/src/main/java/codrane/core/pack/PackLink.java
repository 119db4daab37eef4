package codrane.core.pack;

import codrane.core.timing.Wire;
import java.time.Duration;
import java.util.Optional;

/** How the vehicle is spoken to. */
public sealed interface PackLink {
    /**
     * Diagnostics over CAN: each identifier is base + times * address.
     *
     * @param bitrate bits a second
     * @param dataBitrate bits a second of the data of CAN FD frames; absent: classic CAN
     * @param extended 29-bit identifiers
     * @param addresses present: extended addressing, the receiver's address is the first octet of each frame's data;
     *     requests may then share one identifier. Source: unchecked (ISO 15765-2, addressing formats)
     */
    record Can(
            int bitrate,
            Optional<Integer> dataBitrate,
            boolean extended,
            Ids request,
            Ids response,
            int functionalId,
            Optional<Addresses> addresses)
            implements PackLink {
        public Can(
                int bitrate,
                Optional<Integer> dataBitrate,
                boolean extended,
                Ids request,
                Ids response,
                int functionalId) {
            this(bitrate, dataBitrate, extended, request, response, functionalId, Optional.empty());
        }

        /** Octets of each frame that the address takes. */
        public int addressOctets() {
            return addresses.isPresent() ? 1 : 0;
        }

        /** Longest data of one frame, octets. */
        public int frameOctets() {
            return dataBitrate.isPresent() ? 64 : 8;
        }

        public int requestId(int address) {
            return request.of(address);
        }

        public int responseId(int address) {
            return response.of(address);
        }

        /** Identifiers of the legislated diagnostics' functional request. Source: unchecked (ISO 15765-4). */
        public int legislatedFunctionalId() {
            return extended ? 0x18DB33F1 : 0x7DF;
        }

        /** @param index of the answering module, 0..7 */
        public int legislatedRequestId(int index) {
            return extended ? 0x18DA00F1 | 0x10 + index << 8 : 0x7E0 + index;
        }

        public int legislatedResponseId(int index) {
            return extended ? 0x18DAF110 + index : 0x7E8 + index;
        }

        /** The same bus with the addresses of the legislated diagnostics: 0..7; these are never extended ones. */
        public Can legislated() {
            Ids requests = new Ids(legislatedRequestId(0), extended ? 0x100 : 1);
            Ids responses = new Ids(legislatedResponseId(0), 1);
            return new Can(bitrate, dataBitrate, extended, requests, responses, legislatedFunctionalId());
        }

        @Override
        public Wire wire() {
            return dataBitrate.isPresent()
                    ? new Wire.CanFd(bitrate, dataBitrate.get(), extended, addressOctets())
                    : new Wire.Can(bitrate, extended, addressOctets());
        }
    }

    /**
     * Of extended addressing, each 0..255.
     *
     * @param tester in front of what modules send
     * @param all in front of what is asked of all modules
     */
    record Addresses(int tester, int all) {}

    /** @param times of the address that is added to the base */
    record Ids(int base, int times) {
        public int of(int address) {
            return base + times * address;
        }
    }

    /** Diagnostics over IP: logical address = base + address. */
    record Doip(int logicalBase, int testerAddress) implements PackLink {
        /** Every edge node and vehicle of this world: base 1000, tester 0E00. */
        public static final Doip STANDARD = new Doip(0x1000, 0x0E00);

        public int logicalAddress(int address) {
            return logicalBase + address;
        }

        @Override
        public Wire wire() {
            return new Wire.Ip();
        }
    }

    /** Longest message that modules take, octets. */
    default int longestMessage() {
        return this instanceof Doip ? 65_535 : 4095;
    }

    /** What messages go over, for estimates. */
    Wire wire();

    /** Times that the tester waits, see ISO 14229-2. */
    record Waits(Duration p2, Duration p2Star) {}
}
