package codrane.core.text;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Objects;

/** Numbers as people read them. */
public final class Words {
    private static final DateTimeFormatter DAY_AND_TIME =
            DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);
    private static final DateTimeFormatter SOON = DateTimeFormatter.ofPattern("EEE d MMM, HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ENGLISH);

    private Words() {}

    /** {@code 3 Mar 2026, 14:05} */
    public static String dayAndTime(Instant instant, ZoneId zone) {
        return DAY_AND_TIME.format(instant.atZone(zone));
    }

    /** What an exception says: its message, or what it is where it has none. */
    public static String said(Throwable e) {
        return Objects.requireNonNullElse(e.getMessage(), e.getClass().getSimpleName());
    }

    /** {@code 3 Mar 2026} */
    public static String day(LocalDate day) {
        return DAY.format(day);
    }

    /** {@code Tue 3 Mar, 14:05}: for what lies close. */
    public static String soon(Instant instant, ZoneId zone) {
        return SOON.format(instant.atZone(zone));
    }

    /** {@code 14:05:09} */
    public static String clock(Instant instant, ZoneId zone) {
        return CLOCK.format(instant.atZone(zone));
    }

    /**
     * {@code 45 s}, {@code 3 min 20 s} or {@code 15 min}.
     *
     * @param seconds from 0
     */
    public static String lasting(long seconds) {
        if (seconds < 60) return seconds + " s";
        return seconds / 60 + " min" + (seconds % 60 == 0 ? "" : " " + seconds % 60 + " s");
    }

    /** How long something takes to come: {@code at once}, {@code 20 min}, {@code 5 h}, {@code 3 days}. */
    public static String lead(Duration lead) {
        if (lead.isZero()) return "at once";
        if (lead.toHours() < 1) return lead.toMinutes() + " min";
        if (lead.toHours() < 48) return lead.toHours() + " h";
        return lead.toDays() + " days";
    }

    /** {@code 13.68 V} */
    public static String volts(double volts) {
        return String.format(Locale.ROOT, "%.2f V", volts);
    }

    /** {@code 1 task}, {@code 3 tasks} */
    public static String count(long count, String one) {
        return count + " " + one + (count == 1 ? "" : "s");
    }

    /** {@code 2.05 MB} */
    public static String megabytes(long octets) {
        return String.format(Locale.ROOT, "%.2f MB", octets / 1e6);
    }

    /** With a capital at its beginning. */
    public static String capital(String text) {
        return text.isEmpty() ? text : Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}
