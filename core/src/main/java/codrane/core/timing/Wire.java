package codrane.core.timing;

import codrane.core.octets.Bytes;
import java.time.Duration;

/** What a message goes over, for estimates: full frames of ordinary content. */
public sealed interface Wire {
    /**
     * @param bitrate bits a second
     * @param addressOctets in front of each frame's data: 0, or 1 with extended addressing
     */
    record Can(int bitrate, boolean extended, int addressOctets) implements Wire {
        private static final Bytes ORDINARY = Bytes.parse("215A930C77E148B6");

        @Override
        public Duration frame() {
            int bits = CanFrameBits.of(extended ? 0x18DA67F1 : 0x4CE, extended, ORDINARY);
            return Duration.ofNanos(bits * 1_000_000_000L / bitrate);
        }

        @Override
        public int octetsPerFrame() {
            return 7 - addressOctets;
        }
    }

    /**
     * @param bitrate of arbitration, bits a second
     * @param dataBitrate bits a second
     * @param addressOctets in front of each frame's data: 0, or 1 with extended addressing
     */
    record CanFd(int bitrate, int dataBitrate, boolean extended, int addressOctets) implements Wire {
        private static final Bytes ORDINARY = Bytes.parse("215A930C77E148B63D02F19E5B80C467".repeat(4));

        @Override
        public Duration frame() {
            int id = extended ? 0x18DA67F1 : 0x4CE;
            return Duration.ofNanos(
                    CanFdFrameBits.of(id, extended, true, ORDINARY).nanos(bitrate, dataBitrate));
        }

        @Override
        public int octetsPerFrame() {
            return 63 - addressOctets;
        }
    }

    /** A network: its own time does not count beside the module's. */
    record Ip() implements Wire {
        @Override
        public Duration frame() {
            return Duration.ofNanos(100_000);
        }

        @Override
        public int octetsPerFrame() {
            return Integer.MAX_VALUE;
        }
    }

    /** Time of one full frame. */
    Duration frame();

    /** Octets of a message that one frame carries after the first. */
    int octetsPerFrame();
}
