package codrane.link.can;

import codrane.core.octets.Bytes;
import codrane.core.timing.CanFdFrameBits;
import codrane.core.timing.CanFrameBits;

/**
 * A CAN data frame. Source: unchecked (ISO 11898-1).
 *
 * @param id 0..0x7FF, or 0..0x1FFFFFFF when extended
 * @param data 0 to 8 octets; with CAN FD also 12, 16, 20, 24, 32, 48 or 64
 */
public record CanFrame(int id, boolean extended, Format format, Bytes data) {
    /** Classic CAN, or CAN FD with or without the faster rate for the data. */
    public enum Format {
        CLASSIC,
        FD,
        FD_SWITCHED
    }

    public CanFrame {
        int most = extended ? 0x1FFFFFFF : 0x7FF;
        if (id < 0 || id > most) throw new IllegalArgumentException("id: %X (expected 0..%X)".formatted(id, most));
        int longest = format == Format.CLASSIC ? 8 : 64;
        if (data.length() > longest || CanFdFrameBits.length(data.length()) != data.length()) {
            throw new IllegalArgumentException("data: " + data.length() + " octets (expected a length of the format)");
        }
    }

    /** A classic frame. */
    public CanFrame(int id, boolean extended, Bytes data) {
        this(id, extended, Format.CLASSIC, data);
    }

    /** Whether the format can hold so many octets in one frame. */
    static boolean holds(Format format, int octets) {
        return octets <= 8 || format != Format.CLASSIC && octets <= 64 && CanFdFrameBits.length(octets) == octets;
    }

    public boolean fd() {
        return format != Format.CLASSIC;
    }

    /** Time on a bus with these rates in bits a second, gap included. */
    public long nanos(long bitrate, long dataBitrate) {
        if (!fd()) return CanFrameBits.of(id, extended, data) * 1_000_000_000L / bitrate;
        return CanFdFrameBits.of(id, extended, format == Format.FD_SWITCHED, data)
                .nanos(bitrate, dataBitrate);
    }

    /** Lower wins the bus: the identifier's eleven leading bits, then a standard frame before an extended one. */
    long priority() {
        return extended ? (long) (id >> 18) << 19 | 1L << 18 | id & 0x3FFFF : (long) id << 19;
    }
}
