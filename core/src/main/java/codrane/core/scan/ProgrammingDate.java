package codrane.core.scan;

import codrane.core.octets.Bytes;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Optional;

/** The day on which a module was programmed last: three octets of two decimal digits, YY MM DD (ISO 14229-1, 0xF199). */
public final class ProgrammingDate {
    private static final int CENTURY = 2000;

    private ProgrammingDate() {}

    /** Empty for a module that was never programmed, or tells no day of the calendar. */
    public static Optional<LocalDate> of(Bytes octets) {
        if (octets.length() != 3 || !octets.hex().matches("\\d{6}")) return Optional.empty();
        int[] digits = new int[3];
        for (int i = 0; i < 3; i++)
            digits[i] = Integer.parseInt(octets.slice(i, 1).hex());
        try {
            return Optional.of(LocalDate.of(CENTURY + digits[0], digits[1], digits[2]));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }
}
