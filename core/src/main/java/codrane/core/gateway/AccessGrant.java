package codrane.core.gateway;

import java.time.Instant;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * What an authority allows: who works, with which tool, on which vehicle, from when until when.
 *
 * @param vin of the vehicle
 * @param tool serial number of the interface
 * @param until exclusive; whole seconds, like {@code from}
 */
public record AccessGrant(String vin, String tool, String workshop, String technician, Instant from, Instant until) {
    private static final Pattern TEXT = Pattern.compile(
            "([^|\\n]{1,40})\\|([^|\\n]{1,40})\\|([^|\\n]{1,60})\\|([^|\\n]{1,60})\\|(\\d{1,11})\\|(\\d{1,11})");

    public AccessGrant {
        from = Instant.ofEpochSecond(from.getEpochSecond());
        until = Instant.ofEpochSecond(until.getEpochSecond());
        for (String part : new String[] {vin, tool, workshop, technician}) {
            if (part.isBlank() || part.contains("|") || part.contains("\n"))
                throw new IllegalArgumentException("part: " + part + " (expected text without bars)");
        }
    }

    /** The one text that is signed. */
    public String text() {
        return String.join(
                "|",
                vin,
                tool,
                workshop,
                technician,
                String.valueOf(from.getEpochSecond()),
                String.valueOf(until.getEpochSecond()));
    }

    /** @return empty when it is no grant's text */
    public static Optional<AccessGrant> parse(String text) {
        Matcher m = TEXT.matcher(text);
        boolean good = m.matches()
                && IntStream.rangeClosed(1, 4).noneMatch(i -> m.group(i).isBlank());
        if (!good) return Optional.empty();
        return Optional.of(new AccessGrant(
                m.group(1),
                m.group(2),
                m.group(3),
                m.group(4),
                Instant.ofEpochSecond(Long.parseLong(m.group(5))),
                Instant.ofEpochSecond(Long.parseLong(m.group(6)))));
    }

    public boolean holdsAt(Instant now) {
        return !now.isBefore(from) && now.isBefore(until);
    }
}
