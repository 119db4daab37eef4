package codrane.link.isotp;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.octets.WireReader;
import codrane.core.timing.SeparationTime;
import java.time.Duration;

/**
 * One CAN frame of a message, from the protocol control information on; addresses and padding are {@link IsoTpLayout}'s.
 * Source: unchecked (ISO 15765-2, protocol control information).
 */
public sealed interface IsoTpFrame {
    /** Longest message that needs no escape. */
    int LONGEST_SHORT = 4095;

    /** Length of a frame that tells its length in the control octet itself. */
    int SHORT_FRAME = 8;

    record SingleFrame(Bytes data) implements IsoTpFrame {
        @Override
        public Bytes encode() {
            int length = data.length();
            return (length < SHORT_FRAME ? Bytes.of(length) : Bytes.of(0, length)).plus(data);
        }
    }

    /** @param length of the whole message; above 4095 in the escaped form */
    record FirstFrame(long length, Bytes data) implements IsoTpFrame {
        @Override
        public Bytes encode() {
            if (length <= LONGEST_SHORT)
                return Bytes.of(0x10 | (int) (length >> 8), (int) (length & 0xFF))
                        .plus(data);
            return Bytes.of(
                            0x10,
                            0,
                            (int) (length >> 24 & 0xFF),
                            (int) (length >> 16 & 0xFF),
                            (int) (length >> 8 & 0xFF),
                            (int) (length & 0xFF))
                    .plus(data);
        }
    }

    /** @param sequence 0..15 */
    record ConsecutiveFrame(int sequence, Bytes data) implements IsoTpFrame {
        @Override
        public Bytes encode() {
            return Bytes.join(Bytes.of(0x20 | sequence), data);
        }
    }

    /**
     * Tells the sender when to send more.
     *
     * @param blockSize frames until the next flow control, 0..255; 0 means no further one
     */
    record FlowControl(FlowStatus status, int blockSize, Duration separationTime) implements IsoTpFrame {
        @Override
        public Bytes encode() {
            return Bytes.of(0x30 | status.code(), blockSize, SeparationTime.encode(separationTime));
        }
    }

    /** A flow control whose status the standard reserves: it ends the transfer that waits for it. */
    record InvalidFlow(int status) implements IsoTpFrame {
        @Override
        public Bytes encode() {
            return Bytes.of(0x30 | status, 0, 0);
        }
    }

    /** What the receiver wants. */
    enum FlowStatus {
        CONTINUE(0),
        WAIT(1),
        OVERFLOW(2);

        private final int code;

        FlowStatus(int code) {
            this.code = code;
        }

        int code() {
            return code;
        }
    }

    /** Control information and data, without padding. */
    Bytes encode();

    /**
     * Frames shorter than they could be are accepted when what they say is complete.
     *
     * @param content of a CAN frame without the address, padding included
     * @param prefix octets that the address took, 0 or 1
     */
    static DecodeResult<IsoTpFrame> decode(Bytes content, int prefix) {
        return DecodeResult.read(content, in -> {
            int control = in.u8("protocol control");
            return switch (control >> 4) {
                case 0 -> single(in, control & 0xF, content.length() + prefix, prefix);
                case 1 -> first(in, control & 0xF, content.length() + prefix, prefix);
                case 2 -> new ConsecutiveFrame(control & 0xF, in.rest());
                case 3 -> flow(in, control & 0xF);
                default -> {
                    in.check(false, 1, "frame type 0 to 3", "%02X".formatted(control));
                    throw new IllegalStateException();
                }
            };
        });
    }

    private static IsoTpFrame single(WireReader in, int low, int frameOctets, int prefix) {
        int length = low;
        if (frameOctets > SHORT_FRAME) { // only then the length has an octet of its own
            in.check(low == 0, 1, "length 0 in a long frame's control octet", String.valueOf(low));
            length = in.u8("length");
            in.check(
                    length >= SHORT_FRAME - prefix, 1, "length from " + (SHORT_FRAME - prefix), String.valueOf(length));
        } else {
            int most = SHORT_FRAME - 1 - prefix;
            in.check(length >= 1 && length <= most, 1, "length 1 to " + most, String.valueOf(length));
        }
        Bytes data = in.bytes("data", length);
        in.rest();
        return new SingleFrame(data);
    }

    private static IsoTpFrame first(WireReader in, int high, int frameOctets, int prefix) {
        int low = in.u8("length");
        long length = (long) high << 8 | low;
        if (length == 0) {
            length = in.u32("escaped length");
            in.check(length > LONGEST_SHORT, 4, "escaped length above 4095", String.valueOf(length));
        } else {
            int least = leastSegmented(frameOctets, prefix);
            in.check(length >= least, 1, "length of at least " + least, String.valueOf(length));
        }
        in.check(frameOctets >= SHORT_FRAME, 0, "first frame of 8 octets or more", frameOctets + " octets");
        return new FirstFrame(length, in.rest());
    }

    /** Shorter messages belong into a single frame of the same size: a first frame with less is ignored. */
    static int leastSegmented(int frameOctets, int prefix) {
        int overhead = frameOctets > SHORT_FRAME ? 2 : 1;
        return frameOctets - overhead - prefix + 1;
    }

    private static IsoTpFrame flow(WireReader in, int code) {
        int blockSize = in.u8("block size");
        Duration separation = SeparationTime.decode(in.u8("separation time"));
        in.rest();
        for (FlowStatus status : FlowStatus.values()) {
            if (status.code() == code) return new FlowControl(status, blockSize, separation);
        }
        return new InvalidFlow(code);
    }
}
