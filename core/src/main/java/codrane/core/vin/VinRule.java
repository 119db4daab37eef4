package codrane.core.vin;

/**
 * What a maker does with its VINs.
 *
 * @param checkDigit whether position 9 is a check digit
 * @param firstYear first model year built
 * @param lastYear last model year built, inclusive
 */
public record VinRule(boolean checkDigit, int firstYear, int lastYear) {
    /** For a maker that no pack knows: the check digit counts and any year since 1980 is possible. */
    public static final VinRule UNKNOWN_MAKER = new VinRule(true, 1980, 2039);

    public VinRule withCheckDigit(boolean used) {
        return new VinRule(used, firstYear, lastYear);
    }
}
