package codrane.standin.doip;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.octets.DecodeResult.Malformed;
import codrane.link.doip.DoipMessage;
import codrane.link.doip.DoipMessage.DiagnosticPowerModeInformationRequest;
import codrane.link.doip.DoipMessage.DoipEntityStatusRequest;
import codrane.link.doip.DoipMessage.GenericHeaderNegativeAcknowledge;
import codrane.link.doip.DoipMessage.VehicleIdentificationRequest;
import codrane.link.doip.DoipMessage.VehicleIdentificationRequestWithEid;
import codrane.link.doip.DoipMessage.VehicleIdentificationRequestWithVin;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.SocketAddress;
import java.util.Optional;

/** An entity's UDP side: announces the vehicle three times, answers requests for identification, status and power mode. */
final class DoipAnnouncer implements AutoCloseable {
    private static final int TIMES = 3;
    private static final long INTERVAL_MILLIS = 500;
    private static final int LONGEST = 4096;

    private final DoipEntity entity;
    private final DatagramSocket socket;

    DoipAnnouncer(DoipEntity entity, int port, int announceTo) throws IOException {
        this.entity = entity;
        socket = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        Thread.ofVirtual().name("doip-udp").start(this::serve);
        if (announceTo > 0) Thread.ofVirtual().name("doip-announce").start(() -> announce(announceTo));
    }

    private void announce(int port) {
        try {
            for (int i = 0; i < TIMES; i++) {
                if (i > 0) Thread.sleep(INTERVAL_MILLIS);
                send(entity.announcement(), new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
            }
        } catch (IOException | InterruptedException e) {
            // nobody is there to hear it, or the entity was closed
        }
    }

    private void serve() {
        while (!socket.isClosed()) {
            try {
                DatagramPacket packet = new DatagramPacket(new byte[LONGEST], LONGEST);
                socket.receive(packet);
                Bytes message = Bytes.copyOf(packet.getData(), packet.getOffset(), packet.getLength());
                Optional<DoipMessage> answer = entity.muted() ? Optional.empty() : answer(message);
                if (answer.isPresent()) send(answer.get(), packet.getSocketAddress());
            } catch (IOException e) {
                if (!socket.isClosed()) throw new UncheckedIOException(e);
            }
        }
    }

    private Optional<DoipMessage> answer(Bytes message) {
        return switch (DoipMessage.decode(message)) {
            case Malformed<DoipMessage> malformed ->
                Optional.of(new GenericHeaderNegativeAcknowledge(refusal(message)));
            case Decoded<DoipMessage>(DoipMessage request) -> answer(request);
        };
    }

    private static int refusal(Bytes message) {
        if (message.length() < DoipMessage.HEADER_OCTETS
                || DoipMessage.decodeHeader(message.slice(0, DoipMessage.HEADER_OCTETS))
                        .isMalformed()) return 0x00;
        return DoipMessage.knows(message.u16(2)) ? 0x04 : 0x01;
    }

    private Optional<DoipMessage> answer(DoipMessage request) {
        return switch (request) {
            case VehicleIdentificationRequest r -> Optional.of(entity.announcement());
            case VehicleIdentificationRequestWithVin(Bytes vin) ->
                Optional.<DoipMessage>of(entity.announcement())
                        .filter(a -> entity.announcement().vin().equals(vin));
            case VehicleIdentificationRequestWithEid(Bytes eid) ->
                Optional.<DoipMessage>of(entity.announcement())
                        .filter(a -> entity.eid().equals(eid));
            case DoipEntityStatusRequest r -> Optional.of(entity.status());
            case DiagnosticPowerModeInformationRequest r -> Optional.of(entity.powerMode());
            default -> Optional.empty();
        };
    }

    private void send(DoipMessage message, SocketAddress to) throws IOException {
        byte[] octets = message.encode().toArray();
        socket.send(new DatagramPacket(octets, octets.length, to));
    }

    @Override
    public void close() {
        socket.close();
    }
}
