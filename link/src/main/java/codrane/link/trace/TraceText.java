package codrane.link.trace;

import codrane.core.octets.Bytes;
import codrane.link.can.CanText;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Traces as text, one event a line: CAN frames as {@link CanText} writes them, DoIP messages as {@code (12.000345)
 * tester 02FD…} or {@code vehicle}. Written and read back without loss of anything but nanoseconds.
 */
public final class TraceText {
    private static final Pattern TIMED = Pattern.compile("\\((\\d{1,9})\\.(\\d{6})\\) (.+)");
    private static final Pattern DOIP = Pattern.compile("(tester|vehicle) ((?:[0-9A-F]{2})+)");

    private TraceText() {}

    /** Times count from the first event. */
    public static void write(List<TraceEvent> events, StringBuilder out) {
        long start = events.isEmpty() ? 0 : events.getFirst().nanos();
        for (TraceEvent event : events) {
            long nanos = Math.max(0, event.nanos() - start);
            switch (event) {
                case TraceEvent.Frame frame -> out.append(CanText.of(frame.frame(), nanos));
                case TraceEvent.Doip(boolean fromTester, Bytes message, long at) ->
                    out.append(String.format(
                            Locale.ROOT,
                            "(%d.%06d) %s %s",
                            nanos / 1_000_000_000,
                            nanos / 1000 % 1_000_000,
                            fromTester ? "tester" : "vehicle",
                            message.hex()));
            }
            out.append('\n');
        }
    }

    /** @return empty when the line is no event */
    public static Optional<TraceEvent> parse(String line) {
        Matcher timed = TIMED.matcher(line.strip());
        if (!timed.matches()) return Optional.empty();
        long nanos = Long.parseLong(timed.group(1)) * 1_000_000_000 + Long.parseLong(timed.group(2)) * 1000;
        Matcher doip = DOIP.matcher(timed.group(3));
        if (doip.matches()) {
            Bytes message = Bytes.parse(doip.group(2));
            return Optional.of(new TraceEvent.Doip(doip.group(1).equals("tester"), message, nanos));
        }
        return CanText.parse(timed.group(3)).map(frame -> new TraceEvent.Frame(frame, nanos));
    }

    /** Lines that are no event are left out. */
    public static List<TraceEvent> parseAll(String text) {
        return text.lines().map(TraceText::parse).flatMap(Optional::stream).toList();
    }
}
