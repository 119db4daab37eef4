package codrane.core.ready;

import codrane.core.text.Words;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;

/**
 * Something of the workshop that runs out.
 *
 * @param what at the beginning of a sentence: "The licence of WS-1"
 * @param until the last day on which it holds
 * @param path of the page where it is seen to
 */
public record Ending(String what, LocalDate until, String path) {
    private static final int SOON_DAYS = 30;

    /** A sentence while it runs out within 30 days, or has; empty before. */
    public Optional<String> sentence(LocalDate today) {
        long days = ChronoUnit.DAYS.between(today, until);
        if (days > SOON_DAYS) return Optional.empty();
        if (days < 0) return Optional.of(what + " ended on " + Words.day(until) + ".");
        String in = days == 0 ? "today" : days == 1 ? "tomorrow" : "in " + days + " days, on " + Words.day(until);
        return Optional.of(what + " ends " + in + ".");
    }
}
