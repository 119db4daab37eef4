package codrane.link.can;

import codrane.core.octets.Bytes;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** One frame a line: {@code 448#0322F190CCCCCCCC}, eight digits for 29-bit ids, a time {@code (12.000345) } may stand before. */
public final class CanText {
    private static final Pattern LINE = Pattern.compile(
            "(?:\\(\\d{1,12}\\.\\d{1,9}\\) )?([0-9A-Fa-f]{3}|[0-9A-Fa-f]{8})#((?:[0-9A-Fa-f]{2}){0,8})");

    private CanText() {}

    public static String of(CanFrame frame) {
        return String.format(
                Locale.ROOT,
                frame.extended() ? "%08X#%s" : "%03X#%s",
                frame.id(),
                frame.data().hex());
    }

    /** @param nanos time since the vehicle was started */
    public static String of(CanFrame frame, long nanos) {
        return String.format(Locale.ROOT, "(%d.%06d) %s", nanos / 1_000_000_000, nanos / 1000 % 1_000_000, of(frame));
    }

    /** @return empty when the line is no classic frame */
    public static Optional<CanFrame> parse(String line) {
        Matcher m = LINE.matcher(line.strip());
        if (!m.matches()) return Optional.empty();
        long id = Long.parseLong(m.group(1), 16);
        boolean extended = m.group(1).length() == 8;
        if (id > (extended ? 0x1FFFFFFF : 0x7FF)) return Optional.empty();
        return Optional.of(new CanFrame((int) id, extended, Bytes.parse(m.group(2))));
    }
}
