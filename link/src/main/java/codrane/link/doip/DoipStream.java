package codrane.link.doip;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.octets.DecodeResult.Malformed;
import codrane.link.doip.DoipMessage.Header;
import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.net.SocketTimeoutException;

/** Cuts a TCP stream into messages, checking lengths before allocating. For one thread at a time. */
public final class DoipStream {
    /** Longest payload accepted, octets. */
    public static final int MOST_PAYLOAD = 70_000;

    private static final int BUFFER = 1 << 17;

    private final DataInputStream in;
    private long toSkip;

    public DoipStream(InputStream in) {
        this.in = new DataInputStream(new BufferedInputStream(in, BUFFER));
    }

    /** One thing that came. */
    public sealed interface Arrival {
        record Message(DoipMessage message) implements Arrival {}

        /**
         * @param code to answer with in a header negative acknowledgement
         * @param fatal the connection is to be closed; otherwise the message was skipped
         */
        record Bad(int code, boolean fatal) implements Arrival {}

        record End() implements Arrival {}
    }

    /** Whether something has arrived. */
    boolean available() {
        try {
            return in.available() > 0;
        } catch (IOException e) {
            return true; // reading will tell
        }
    }

    /** @throws SocketTimeoutException when nothing began to arrive in the socket's time; the stream is still whole */
    public Arrival next() throws IOException {
        try {
            if (toSkip > 0) in.skipNBytes(toSkip);
            toSkip = 0;
        } catch (EOFException e) {
            return new Arrival.End();
        }
        byte[] head = new byte[DoipMessage.HEADER_OCTETS];
        int first = in.read();
        if (first < 0) return new Arrival.End();
        head[0] = (byte) first;
        try {
            in.readFully(head, 1, head.length - 1);
            return switch (DoipMessage.decodeHeader(Bytes.copyOf(head))) {
                case Malformed<Header> malformed -> new Arrival.Bad(0x00, true);
                case Decoded<Header>(Header header) -> payload(header);
            };
        } catch (EOFException | SocketTimeoutException e) {
            return new Arrival.End(); // cut off within a message
        }
    }

    private Arrival payload(Header header) throws IOException {
        if (!DoipMessage.knows(header.type())) return skip(header, 0x01);
        if (header.length() > MOST_PAYLOAD) return skip(header, 0x02);
        byte[] payload = new byte[(int) header.length()];
        in.readFully(payload);
        DecodeResult<DoipMessage> message = DoipMessage.decodePayload(header.type(), Bytes.owning(payload));
        return message instanceof Decoded<DoipMessage>(DoipMessage value)
                ? new Arrival.Message(value)
                : new Arrival.Bad(0x04, true);
    }

    /** The payload is passed over before the next message, so that the refusal need not wait for it. */
    private Arrival skip(Header header, int code) {
        toSkip = header.length();
        return new Arrival.Bad(code, false);
    }
}
