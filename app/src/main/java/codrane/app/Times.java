package codrane.app;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Instants for people, in the workshop's zone. */
@Component("times")
public class Times {
    private static final DateTimeFormatter DAY_AND_TIME =
            DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ENGLISH);

    /** Later than anything here lasts. */
    private static final int MOST_YEARS = 30;

    /** A day as a form has it, from the given one on; empty when it is none, is over, or is absurdly far. */
    public static Optional<LocalDate> dayFrom(LocalDate from, String text) {
        try {
            LocalDate day = LocalDate.parse(text.strip());
            boolean sensible = !day.isBefore(from) && day.isBefore(from.plusYears(MOST_YEARS));
            return sensible ? Optional.of(day) : Optional.empty();
        } catch (DateTimeParseException e) {
            return Optional.empty();
        }
    }

    public String at(Instant instant) {
        return dayAndTime(instant);
    }

    /** As {@link #at}, where no bean is at hand. */
    public static String dayAndTime(Instant instant) {
        return DAY_AND_TIME.format(instant.atZone(ZoneId.systemDefault()));
    }

    public String clock(Instant instant) {
        return CLOCK.format(instant.atZone(ZoneId.systemDefault()));
    }
}
