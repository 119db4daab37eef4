package codrane.link.doip;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.octets.DecodeResult.Malformed;
import codrane.link.doip.DoipMessage.Header;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;

/** Cuts a TCP stream into messages, checking lengths before allocating. */
public final class DoipStream {
    /** Longest payload accepted, octets. */
    public static final int MOST_PAYLOAD = 70_000;

    private final DataInputStream in;

    public DoipStream(InputStream in) {
        this.in = new DataInputStream(in);
    }

    /** One thing that came. */
    public sealed interface Arrival {
        record Message(DoipMessage message) implements Arrival {}

        /**
         * @param code to answer with in a header negative acknowledgement
         * @param fatal the stream can't be followed further
         */
        record Bad(int code, boolean fatal) implements Arrival {}

        record End() implements Arrival {}
    }

    public Arrival next() throws IOException {
        byte[] head = new byte[DoipMessage.HEADER_OCTETS];
        try {
            in.readFully(head);
            return switch (DoipMessage.decodeHeader(Bytes.copyOf(head))) {
                case Malformed<Header> malformed -> new Arrival.Bad(0x00, true);
                case Decoded<Header>(Header header) -> payload(header);
            };
        } catch (EOFException e) {
            return new Arrival.End();
        }
    }

    private Arrival payload(Header header) throws IOException {
        if (header.length() > MOST_PAYLOAD) return new Arrival.Bad(0x02, true);
        byte[] payload = new byte[(int) header.length()];
        in.readFully(payload);
        DecodeResult<DoipMessage> message = DoipMessage.decodePayload(header.type(), Bytes.copyOf(payload));
        if (message instanceof Decoded<DoipMessage>(DoipMessage value)) return new Arrival.Message(value);
        boolean unknown =
                message instanceof Malformed<DoipMessage> m && m.expected().equals("known payload type");
        return new Arrival.Bad(unknown ? 0x01 : 0x04, !unknown);
    }
}
