package codrane.core.timing;

import java.time.Duration;

/** ISO-TP STmin octet and the time it means. Source: unchecked (ISO 15765-2). */
public final class SeparationTime {
    private static final Duration LONGEST = Duration.ofMillis(127);

    private SeparationTime() {}

    /** @param octet 0..255; reserved values mean the longest time, 127 ms */
    public static Duration decode(int octet) {
        if (octet <= 0x7F) return Duration.ofMillis(octet);
        if (octet >= 0xF1 && octet <= 0xF9) return Duration.ofNanos((octet - 0xF0) * 100_000L);
        return LONGEST;
    }

    /** @return the octet for the time, rounded up to what can be said; at most 127 ms */
    public static int encode(Duration time) {
        if (time.compareTo(LONGEST) > 0 || time.isNegative()) {
            throw new IllegalArgumentException("separationTime: " + time + " (expected 0..127 ms)");
        }
        long micros = (time.toNanos() + 999) / 1000;
        if (micros == 0) return 0;
        if (micros <= 900) return (int) (0xF0 + (micros + 99) / 100);
        return (int) ((micros + 999) / 1000);
    }
}
