package codrane.core.ready;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;

/** Mail and ferries take working days. */
final class WorkingDays {
    private static final int OPENS_AT = 10;

    private WorkingDays() {}

    /** From now until ten o'clock of the working day on which something is here that takes so many hours. */
    static Duration until(Instant now, Duration lead, ZoneId zone) {
        long days = Math.max(1, lead.toHours() / 24);
        ZonedDateTime day = now.atZone(zone);
        for (long left = days; left > 0; left--) {
            day = day.plusDays(1);
            while (day.getDayOfWeek() == DayOfWeek.SATURDAY || day.getDayOfWeek() == DayOfWeek.SUNDAY)
                day = day.plusDays(1);
        }
        return Duration.between(
                now, day.toLocalDate().atTime(OPENS_AT, 0).atZone(zone).toInstant());
    }
}
