package codrane.core.pack;

import java.math.BigDecimal;
import java.math.RoundingMode;

/**
 * A value that a module measures, under a data identifier: raw octets, big-endian; value = raw * factor + offset.
 *
 * @param identifier 0..0xFFFF
 * @param behaviour of the simulated vehicle
 * @param controllable whether it can be adjusted for a test (InputOutputControlByIdentifier)
 */
public record LiveValue(
        int identifier, String key, String title, Scaling scaling, Behaviour behaviour, boolean controllable) {
    /**
     * @param bits 8, 16 or 32, unsigned
     * @param factor greater than 0
     */
    public record Scaling(int bits, double factor, double offset, String unit) {
        public int octets() {
            return bits / 8;
        }

        /** The nearest raw value that fits. */
        public long raw(double value) {
            long most = (1L << bits) - 1;
            return Math.clamp(Math.round((value - offset) / factor), 0, most);
        }

        public double value(long raw) {
            return raw * factor + offset;
        }

        /** The value with as many decimals as one count is worth, without its unit. */
        public String text(long raw) {
            BigDecimal exact =
                    BigDecimal.valueOf(factor).multiply(BigDecimal.valueOf(raw)).add(BigDecimal.valueOf(offset));
            int decimals =
                    Math.max(0, BigDecimal.valueOf(factor).stripTrailingZeros().scale());
            return exact.setScale(decimals, RoundingMode.HALF_UP).toPlainString();
        }
    }

    /**
     * Where the value goes in each position of the key, in its unit.
     *
     * @param seconds time constant with which it follows; 0: at once
     * @param ripple greatest deviation around it
     */
    public record Behaviour(double off, double on, double running, double seconds, double ripple) {}
}
