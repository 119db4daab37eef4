package codrane.app.workshop;

import codrane.core.text.Words;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Instants for people, in the workshop's zone. */
@Component("times")
public class Times {
    /** Later than anything here lasts. */
    private static final int MOST_YEARS = 30;

    private final ZoneId zone;

    Times(ZoneId zone) {
        this.zone = zone;
    }

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
        return Words.dayAndTime(instant, zone);
    }

    public String clock(Instant instant) {
        return Words.clock(instant, zone);
    }
}
