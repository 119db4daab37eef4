package codrane.link.can;

import codrane.core.octets.Bytes;
import codrane.link.can.CanFrame.Format;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One frame a line: {@code 448#0322F190CCCCCCCC}, eight digits for 29-bit ids, {@code 448##1…} for CAN FD with a digit
 * of flags (1: data at the faster rate); a time {@code (12.000345) } may stand before.
 */
public final class CanText {
    private static final Pattern LINE =
            Pattern.compile("(?:\\(\\d{1,12}\\.\\d{1,9}\\) )?([0-9A-Fa-f]{3}|[0-9A-Fa-f]{8})#(#[0-9A-Fa-f])?"
                    + "((?:[0-9A-Fa-f]{2}){0,64})");

    private CanText() {}

    public static String of(CanFrame frame) {
        StringBuilder line = new StringBuilder(frame.fd() ? 140 : 26);
        String id = Integer.toHexString(frame.id()).toUpperCase(Locale.ROOT);
        line.repeat('0', (frame.extended() ? 8 : 3) - id.length()).append(id).append('#');
        if (frame.fd()) line.append('#').append(frame.format() == Format.FD_SWITCHED ? '1' : '0');
        return line.append(frame.data().hex()).toString();
    }

    /** @param nanos time since the vehicle was started */
    public static String of(CanFrame frame, long nanos) {
        return String.format(Locale.ROOT, "(%d.%06d) %s", nanos / 1_000_000_000, nanos / 1000 % 1_000_000, of(frame));
    }

    /** @return empty when the line is no frame */
    public static Optional<CanFrame> parse(String line) {
        if (line.length() > 200) return Optional.empty();
        Matcher m = LINE.matcher(line.strip());
        if (!m.matches()) return Optional.empty();
        long id = Long.parseLong(m.group(1), 16);
        boolean extended = m.group(1).length() == 8;
        Format format = format(m.group(2));
        Bytes data = Bytes.parse(m.group(3));
        boolean good = id <= (extended ? 0x1FFFFFFF : 0x7FF) && CanFrame.holds(format, data.length());
        return good ? Optional.of(new CanFrame((int) id, extended, format, data)) : Optional.empty();
    }

    private static Format format(String flags) {
        if (flags == null) return Format.CLASSIC;
        return (Character.digit(flags.charAt(1), 16) & 1) == 1 ? Format.FD_SWITCHED : Format.FD;
    }
}
