package codrane.link.isotp;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.timing.CanFdFrameBits;
import codrane.link.can.CanFrame;
import codrane.link.isotp.IsoTpFrame.FirstFrame;
import java.util.OptionalInt;

/**
 * How messages lie in CAN frames: address in front, padding behind.
 *
 * @param frameOctets longest frame that we send: 8, or up to 64 with CAN FD
 * @param format of our frames
 * @param padding octet that fills frames up; absent: classic frames stay short
 */
record IsoTpLayout(IsoTpAddressing addressing, int frameOctets, CanFrame.Format format, OptionalInt padding) {
    int singleMost() {
        int overhead = frameOctets > IsoTpFrame.SHORT_FRAME ? 2 : 1;
        return frameOctets - overhead - addressing.prefix();
    }

    /** Data octets of a first frame. */
    int firstRoom(int length) {
        return frameOctets - addressing.prefix() - (length <= IsoTpFrame.LONGEST_SHORT ? 2 : 6);
    }

    int consecutiveRoom() {
        return frameOctets - addressing.prefix() - 1;
    }

    FirstFrame first(Bytes message) {
        return new FirstFrame(message.length(), message.slice(0, firstRoom(message.length())));
    }

    CanFrame frame(IsoTpFrame frame) {
        Bytes content = frame.encode();
        if (addressing.theirAddress().isPresent())
            content = Bytes.of(addressing.theirAddress().getAsInt()).plus(content);
        int length = content.length() > 8 || padding.isEmpty() ? CanFdFrameBits.length(content.length()) : 8;
        if (length > content.length())
            content = content.plus(Bytes.filled(length - content.length(), padding.orElse(0xCC)));
        return new CanFrame(addressing.sendId(), addressing.extendedIds(), format, content);
    }

    DecodeResult<IsoTpFrame> read(CanFrame frame) {
        return IsoTpFrame.decode(frame.data().from(addressing.prefix()), addressing.prefix());
    }
}
