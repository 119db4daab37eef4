package codrane.link.trace;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.link.can.CanFrame;
import codrane.link.isotp.IsoTpFrame;
import codrane.link.isotp.IsoTpFrame.ConsecutiveFrame;
import codrane.link.isotp.IsoTpFrame.FirstFrame;
import codrane.link.isotp.IsoTpFrame.SingleFrame;
import java.util.Optional;

/** Puts the messages of one identifier together from what passes by, without taking part. */
final class MessageAssembly {
    private static final int LONGEST = 1 << 20;

    private final int prefix;
    private byte[] message = {};
    private int at;
    private int sequence;
    private int frames;

    /** @param prefix octets of each frame in front of what ISO-TP puts there */
    MessageAssembly(int prefix) {
        this.prefix = prefix;
    }

    /** @param broken whether the message ended early or a frame was none */
    record Passed(Bytes data, int frames, boolean broken) {}

    /** @return a message when the frame completes or breaks one */
    Optional<Passed> take(CanFrame frame) {
        if (!(IsoTpFrame.decode(frame.data().from(prefix), prefix)
                instanceof Decoded<IsoTpFrame>(IsoTpFrame decoded))) {
            return Optional.of(new Passed(frame.data(), 1, true));
        }
        return switch (decoded) {
            case SingleFrame(Bytes data) -> Optional.of(new Passed(data, 1, false));
            case FirstFrame first -> {
                begin(first);
                yield Optional.empty();
            }
            case ConsecutiveFrame consecutive -> next(consecutive);
            case IsoTpFrame.FlowControl flow -> Optional.empty();
            case IsoTpFrame.InvalidFlow flow -> Optional.empty();
        };
    }

    private void begin(FirstFrame first) {
        message = new byte[(int) Math.min(first.length(), LONGEST)];
        at = 0;
        frames = 0;
        sequence = 1;
        add(first.data());
    }

    private Optional<Passed> next(ConsecutiveFrame frame) {
        if (at >= message.length) return Optional.empty(); // its beginning was not recorded
        if (frame.sequence() != sequence) {
            Passed broken = new Passed(Bytes.copyOf(message, 0, at), frames, true);
            at = message.length;
            return Optional.of(broken);
        }
        sequence = sequence + 1 & 0xF;
        add(frame.data());
        return at < message.length ? Optional.empty() : Optional.of(new Passed(Bytes.copyOf(message), frames, false));
    }

    private void add(Bytes data) {
        int length = Math.min(data.length(), message.length - at);
        data.copyInto(message, at, length);
        at += length;
        frames++;
    }
}
