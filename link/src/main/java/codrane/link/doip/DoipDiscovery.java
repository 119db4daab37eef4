package codrane.link.doip;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.link.LinkLostException;
import codrane.link.doip.DoipMessage.VehicleAnnouncement;
import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.SocketTimeoutException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Finds vehicles over UDP, and asks entities for what they tell without a connection. */
public final class DoipDiscovery {
    private static final int LONGEST = 2048;

    private DoipDiscovery() {}

    /**
     * Vehicles that answer an identification request.
     *
     * @param within how long to listen; entities answer within 0.5 s
     * @throws LinkLostException when the request can't be sent
     */
    public static List<VehicleAnnouncement> find(String host, int port, DoipMessage request, Duration within) {
        List<VehicleAnnouncement> found = new ArrayList<>();
        for (DoipMessage message : ask(host, port, request, within, false)) {
            if (message instanceof VehicleAnnouncement announcement) found.add(announcement);
        }
        return found;
    }

    /** The first answer to a request such as for the entity's status or power mode. */
    public static Optional<DoipMessage> ask(String host, int port, DoipMessage request, Duration within) {
        return ask(host, port, request, within, true).stream().findFirst();
    }

    private static List<DoipMessage> ask(
            String host, int port, DoipMessage request, Duration within, boolean onlyFirst) {
        List<DoipMessage> answers = new ArrayList<>();
        long end = System.nanoTime() + within.toNanos();
        try (DatagramSocket socket = new DatagramSocket(0, InetAddress.getByName("0.0.0.0"))) {
            byte[] octets = request.encode().toArray();
            socket.send(new DatagramPacket(octets, octets.length, InetAddress.getByName(host), port));
            for (long left = within.toMillis(); left > 0; left = (end - System.nanoTime()) / 1_000_000) {
                socket.setSoTimeout((int) left);
                DatagramPacket packet = new DatagramPacket(new byte[LONGEST], LONGEST);
                socket.receive(packet);
                Bytes message = Bytes.copyOf(packet.getData(), packet.getOffset(), packet.getLength());
                if (DoipMessage.decode(message) instanceof Decoded<DoipMessage>(DoipMessage answer))
                    answers.add(answer);
                if (onlyFirst && !answers.isEmpty()) break;
            }
        } catch (SocketTimeoutException e) {
            // all that wanted to answer have
        } catch (IOException e) {
            throw new LinkLostException("No request could be sent to " + host + ":" + port + ": " + e.getMessage(), e);
        }
        return answers;
    }
}
