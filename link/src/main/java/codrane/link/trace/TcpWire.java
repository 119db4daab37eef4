package codrane.link.trace;

import codrane.core.octets.Bytes;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;

/**
 * Ethernet frames of one TCP connection between a tester and a vehicle, as an analyser wants to see them: addresses from
 * the range for documentation, the vehicle on DoIP's port. The sockets' own segments are not known to us, so messages
 * are cut anew. Source: unchecked (RFC 791, RFC 9293).
 */
final class TcpWire {
    private static final int LONGEST_SEGMENT = 1460;
    private static final int ETHERNET_OCTETS = 14;
    private static final int IP_OCTETS = 20;
    private static final int TCP_OCTETS = 20;
    private static final int SYN = 0x02;
    private static final int PUSH = 0x08;
    private static final int ACK = 0x10;

    private final Side tester = new Side(1, 49_152);
    private final Side vehicle = new Side(2, 13_400);

    private static final class Side {
        private final int host;
        private final int port;
        private int sequence = 1000;

        Side(int host, int port) {
            this.host = host;
            this.port = port;
        }
    }

    List<byte[]> connect() {
        List<byte[]> packets = new ArrayList<>();
        packets.add(packet(tester, vehicle, SYN, Bytes.EMPTY));
        tester.sequence++;
        packets.add(packet(vehicle, tester, SYN | ACK, Bytes.EMPTY));
        vehicle.sequence++;
        packets.add(packet(tester, vehicle, ACK, Bytes.EMPTY));
        return packets;
    }

    List<byte[]> send(boolean fromTester, Bytes message) {
        Side from = fromTester ? tester : vehicle;
        Side to = fromTester ? vehicle : tester;
        List<byte[]> packets = new ArrayList<>();
        for (int at = 0; at < message.length(); at += LONGEST_SEGMENT) {
            Bytes part = message.slice(at, Math.min(LONGEST_SEGMENT, message.length() - at));
            packets.add(packet(from, to, PUSH | ACK, part));
            from.sequence += part.length();
        }
        return packets;
    }

    private static byte[] packet(Side from, Side to, int flags, Bytes data) {
        int octets = IP_OCTETS + TCP_OCTETS + data.length();
        ByteBuffer packet = ByteBuffer.allocate(ETHERNET_OCTETS + octets);
        station(packet, to);
        station(packet, from);
        packet.putShort((short) 0x0800);
        packet.put((byte) 0x45).put((byte) 0).putShort((short) octets).putInt(0x4000);
        packet.put((byte) 64).put((byte) 6).putShort((short) 0);
        address(packet, from);
        address(packet, to);
        packet.putShort((short) from.port).putShort((short) to.port);
        packet.putInt(from.sequence).putInt((flags & ACK) == 0 ? 0 : to.sequence);
        packet.put((byte) (TCP_OCTETS / 4 << 4)).put((byte) flags).putShort((short) 0xFFFF);
        packet.putShort((short) 0).putShort((short) 0);
        packet.put(data.toArray());
        int tcpOctets = TCP_OCTETS + data.length();
        byte[] frame = packet.array();
        sum(packet, ETHERNET_OCTETS + 10, add(frame, ETHERNET_OCTETS, IP_OCTETS));
        int pseudo = add(frame, ETHERNET_OCTETS + 12, 8) + 6 + tcpOctets;
        sum(packet, ETHERNET_OCTETS + IP_OCTETS + 16, pseudo + add(frame, ETHERNET_OCTETS + IP_OCTETS, tcpOctets));
        return frame;
    }

    /** A station address of the locally administered kind. */
    private static void station(ByteBuffer packet, Side side) {
        packet.put(new byte[] {0x02, 0, 0, 0, 0, (byte) side.host});
    }

    private static void address(ByteBuffer packet, Side side) {
        packet.put(new byte[] {(byte) 192, 0, 2, (byte) side.host});
    }

    private static int add(byte[] octets, int start, int length) {
        int sum = 0;
        for (int i = 0; i < length; i++) sum += (octets[start + i] & 0xFF) << (i % 2 == 0 ? 8 : 0);
        return sum;
    }

    private static void sum(ByteBuffer packet, int at, int total) {
        int folded = (total & 0xFFFF) + (total >>> 16);
        folded = (folded & 0xFFFF) + (folded >>> 16);
        packet.putShort(at, (short) ~folded);
    }
}
