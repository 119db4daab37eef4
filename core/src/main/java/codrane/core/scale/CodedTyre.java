package codrane.core.scale;

import codrane.core.coding.Field;
import java.math.BigDecimal;
import java.math.RoundingMode;

/** How far a tyre rolls in one turn, as a module can hold it. */
public final class CodedTyre {
    private static final double SHOWN = 100;

    private CodedTyre() {}

    /**
     * The nearest value that shows no less speed than is driven: a speedometer may never read low, so it is rounded up.
     *
     * @param field in mm, scaled
     * @return mm; it may be more than the field can hold
     */
    public static BigDecimal of(TyreSize size, Field field) {
        BigDecimal step = field.scale().factor();
        BigDecimal above =
                BigDecimal.valueOf(size.circumference()).subtract(field.scale().offset());
        return above.divide(step, 0, RoundingMode.CEILING)
                .multiply(step)
                .add(field.scale().offset());
    }

    /**
     * What another value does, as a sentence.
     *
     * @param from mm, more than 0
     * @param to mm, more than 0
     */
    public static String effect(BigDecimal from, BigDecimal to) {
        double shown = SHOWN * to.doubleValue() / from.doubleValue();
        return String.format(
                java.util.Locale.ROOT,
                "Where %.0f km/h were shown it is %.1f km/h then: compare it with a measured way, on the tyres that are fitted.",
                SHOWN,
                shown);
    }
}
