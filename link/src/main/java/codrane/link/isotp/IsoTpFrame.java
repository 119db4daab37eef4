package codrane.link.isotp;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.octets.WireReader;
import codrane.core.timing.SeparationTime;
import java.time.Duration;

/** One CAN frame of a segmented message. Source: unchecked (ISO 15765-2, protocol control information). */
public sealed interface IsoTpFrame {
    /** Fills frames up to eight octets. */
    int PADDING = 0xCC;

    /** Longest message that needs no escape. */
    int LONGEST_SHORT = 4095;

    int FRAME_OCTETS = 8;

    record SingleFrame(Bytes data) implements IsoTpFrame {
        static final int MOST = 7;

        @Override
        public Bytes encode() {
            return padded(Bytes.of(data.length()).plus(data));
        }
    }

    /** @param length of the whole message: 8..4095, or more in the escaped form */
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

        /** Octets of data that the frame itself carries. */
        static int room(long length) {
            return length <= LONGEST_SHORT ? 6 : 2;
        }
    }

    /** @param sequence 0..15 */
    record ConsecutiveFrame(int sequence, Bytes data) implements IsoTpFrame {
        static final int MOST = 7;

        @Override
        public Bytes encode() {
            return padded(Bytes.of(0x20 | sequence).plus(data));
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
            return padded(Bytes.of(0x30 | status.code(), blockSize, SeparationTime.encode(separationTime)));
        }
    }

    /** Reserved values are an error by the standard. */
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

    Bytes encode();

    /** Frames shorter than eight octets are accepted when what they say is complete. */
    static DecodeResult<IsoTpFrame> decode(Bytes data) {
        return DecodeResult.read(data, in -> {
            int control = in.u8("protocol control");
            return switch (control >> 4) {
                case 0 -> single(in, control & 0xF);
                case 1 -> first(in, control & 0xF);
                case 2 -> new ConsecutiveFrame(control & 0xF, in.rest());
                case 3 -> flow(in, control & 0xF);
                default -> {
                    in.check(false, 1, "frame type 0 to 3", "%02X".formatted(control));
                    throw new IllegalStateException();
                }
            };
        });
    }

    private static IsoTpFrame single(WireReader in, int length) {
        in.check(length >= 1 && length <= SingleFrame.MOST, 1, "length 1 to 7", String.valueOf(length));
        Bytes data = in.bytes("data", length);
        in.rest();
        return new SingleFrame(data);
    }

    private static IsoTpFrame first(WireReader in, int high) {
        int low = in.u8("length");
        long length = (long) high << 8 | low;
        boolean escaped = length == 0;
        if (escaped) {
            length = in.u32("escaped length");
            in.check(length > LONGEST_SHORT, 4, "escaped length above 4095", String.valueOf(length));
        } else {
            in.check(length >= FRAME_OCTETS, 1, "length of at least 8", String.valueOf(length));
        }
        return new FirstFrame(length, in.bytes("data", FirstFrame.room(length)));
    }

    private static IsoTpFrame flow(WireReader in, int code) {
        in.check(code <= 2, 1, "flow status 0 to 2", String.valueOf(code));
        int blockSize = in.u8("block size");
        Duration separation = SeparationTime.decode(in.u8("separation time"));
        in.rest();
        return new FlowControl(FlowStatus.values()[code], blockSize, separation);
    }

    private static Bytes padded(Bytes content) {
        return content.plus(Bytes.filled(FRAME_OCTETS - content.length(), PADDING));
    }
}
