package codrane.standin.module;

import codrane.core.octets.Bytes;
import codrane.core.octets.Checksums;
import codrane.core.vin.Vin;
import java.time.LocalDate;

/** The made-up codes of the simulated immobilisers. They protect nothing and resemble no real maker's. */
public final class AccessCodes {
    private static final int DAILY_DIGITS = 4;

    private AccessCodes() {}

    /** The vehicle's access code, so many digits. */
    public static String of(Vin vin, int digits) {
        return digits("code " + vin.text(), digits);
    }

    /** The maker's code of one day, four digits. */
    public static String ofDay(String maker, LocalDate day) {
        return digits("day " + maker + " " + day, DAILY_DIGITS);
    }

    private static String digits(String what, int digits) {
        long number = Checksums.crc32(Bytes.ascii(what)) % (long) Math.pow(10, digits);
        return ("%0" + digits + "d").formatted(number);
    }
}
