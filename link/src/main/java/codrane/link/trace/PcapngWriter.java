package codrane.link.trace;

import codrane.core.octets.Bytes;
import codrane.link.can.CanFrame;
import codrane.link.can.CanFrame.Format;
import codrane.link.can.FrameTap;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;

/**
 * Writes traces as pcapng: CAN frames on an interface of link type SocketCAN (227), DoIP messages as a TCP connection
 * on an Ethernet interface (1). Times in nanoseconds. Source: unchecked (pcapng draft: section header, interface
 * description, enhanced packet; SocketCAN link type).
 */
public final class PcapngWriter implements FrameTap, AutoCloseable {
    private static final int LINKTYPE_ETHERNET = 1;
    private static final int LINKTYPE_CAN_SOCKETCAN = 227;
    private static final int CAN = 0;
    private static final int ETHERNET = 1;
    private static final int EXTENDED_FLAG = 0x80000000;
    private static final int HEADER_OCTETS = 8;
    private static final int CLASSIC_OCTETS = 16;
    private static final int FD_OCTETS = 72;
    private static final int FD_FLAG = 0x04;
    private static final int SWITCHED_FLAG = 0x01;

    private final OutputStream out;
    private final TcpWire tcp = new TcpWire();
    private boolean connected;

    public PcapngWriter(OutputStream out) throws IOException {
        this.out = out;
        block(
                0x0A0D0D0A,
                16,
                b -> b.putInt(0x1A2B3C4D)
                        .putShort((short) 1)
                        .putShort((short) 0)
                        .putLong(-1));
        describe(LINKTYPE_CAN_SOCKETCAN, FD_OCTETS);
        describe(LINKTYPE_ETHERNET, 0);
    }

    /** @param longest octets of a packet, 0: no limit */
    private void describe(int linkType, int longest) throws IOException {
        block(
                1,
                20,
                b -> b.putShort((short) linkType)
                        .putShort((short) 0)
                        .putInt(longest)
                        .putShort((short) 9) // option: time resolution
                        .putShort((short) 1)
                        .put((byte) 9) // nanoseconds
                        .put(new byte[3])
                        .putInt(0));
    }

    public void write(List<TraceEvent> events) {
        long start = events.isEmpty() ? 0 : events.getFirst().nanos();
        for (TraceEvent event : events) {
            switch (event) {
                case TraceEvent.Frame(CanFrame frame, long nanos) -> frame(frame, nanos - start);
                case TraceEvent.Doip(boolean fromTester, Bytes message, long nanos) ->
                    doip(fromTester, message, nanos - start);
            }
        }
    }

    @Override
    public void frame(CanFrame frame, long nanos) {
        int room = frame.fd() ? FD_OCTETS : CLASSIC_OCTETS;
        ByteBuffer packet = ByteBuffer.allocate(room);
        packet.putInt(frame.id() | (frame.extended() ? EXTENDED_FLAG : 0));
        packet.put((byte) frame.data().length());
        packet.put((byte) (frame.fd() ? FD_FLAG | (frame.format() == Format.FD_SWITCHED ? SWITCHED_FLAG : 0) : 0));
        packet.position(HEADER_OCTETS).put(frame.data().toArray());
        packet(CAN, packet.array(), nanos);
    }

    private void doip(boolean fromTester, Bytes message, long nanos) {
        if (!connected) tcp.connect().forEach(packet -> packet(ETHERNET, packet, nanos));
        connected = true;
        tcp.send(fromTester, message).forEach(packet -> packet(ETHERNET, packet, nanos));
    }

    private void packet(int device, byte[] packet, long nanos) {
        int padded = packet.length + 3 & ~3;
        try {
            block(
                    6,
                    20 + padded,
                    b -> b.putInt(device)
                            .putInt((int) (nanos >>> 32))
                            .putInt((int) nanos)
                            .putInt(packet.length)
                            .putInt(packet.length)
                            .put(packet)
                            .put(new byte[padded - packet.length]));
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
