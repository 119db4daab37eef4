package codrane.app;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import org.springframework.stereotype.Component;

/** Instants for people, in the workshop's zone. */
@Component("times")
public class Times {
    private static final DateTimeFormatter DAY_AND_TIME =
            DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ENGLISH);

    public String at(Instant instant) {
        return DAY_AND_TIME.format(instant.atZone(ZoneId.systemDefault()));
    }

    public String clock(Instant instant) {
        return CLOCK.format(instant.atZone(ZoneId.systemDefault()));
    }
}
