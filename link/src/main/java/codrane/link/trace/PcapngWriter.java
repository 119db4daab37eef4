package codrane.link.trace;

import codrane.link.can.CanFrame;
import codrane.link.can.FrameTap;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/**
 * Writes CAN frames as pcapng, one interface of link type SocketCAN (227), times in nanoseconds. Source: unchecked
 * (pcapng draft: section header, interface description, enhanced packet).
 */
public final class PcapngWriter implements FrameTap, AutoCloseable {
    private static final int LINKTYPE_CAN_SOCKETCAN = 227;
    private static final int EXTENDED_FLAG = 0x80000000;
    private static final int FRAME_OCTETS = 16;

    private final OutputStream out;

    public PcapngWriter(OutputStream out) throws IOException {
        this.out = out;
        block(
                0x0A0D0D0A,
                16,
                b -> b.putInt(0x1A2B3C4D)
                        .putShort((short) 1)
                        .putShort((short) 0)
                        .putLong(-1));
        block(
                1,
                20,
                b -> b.putShort((short) LINKTYPE_CAN_SOCKETCAN)
                        .putShort((short) 0)
                        .putInt(FRAME_OCTETS)
                        .putShort((short) 9) // option: time resolution
                        .putShort((short) 1)
                        .put((byte) 9) // nanoseconds
                        .put(new byte[3])
                        .putInt(0));
    }

    @Override
    public void frame(CanFrame frame, long nanos) {
        try {
            block(6, 20 + FRAME_OCTETS, b -> {
                b.putInt(0)
                        .putInt((int) (nanos >>> 32))
                        .putInt((int) nanos)
                        .putInt(FRAME_OCTETS)
                        .putInt(FRAME_OCTETS);
                b.order(ByteOrder.BIG_ENDIAN).putInt(frame.id() | (frame.extended() ? EXTENDED_FLAG : 0));
                b.put((byte) frame.data().length())
                        .put(new byte[3])
                        .put(frame.data().toArray());
                b.put(new byte[8 - frame.data().length()]).order(ByteOrder.LITTLE_ENDIAN);
            });
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private interface Body {
        void put(ByteBuffer buffer);
    }

    private void block(int type, int bodyOctets, Body body) throws IOException {
        int length = bodyOctets + 12;
        ByteBuffer buffer = ByteBuffer.allocate(length).order(ByteOrder.LITTLE_ENDIAN);
        buffer.putInt(type).putInt(length);
        body.put(buffer);
        buffer.putInt(length);
        out.write(buffer.array());
    }

    @Override
    public void close() throws IOException {
        out.close();
    }
}
