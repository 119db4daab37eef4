package codrane.core.pack;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.Set;

/**
 * What a pack says of one setting beside where its bits are.
 *
 * @param concerns of the setting itself; empty when its module's count
 * @param least allowed value in its unit, for a scaled one
 * @param most allowed value in its unit, for a scaled one
 */
public record SettingRule(Optional<Set<Concern>> concerns, Optional<BigDecimal> least, Optional<BigDecimal> most) {
    public static final SettingRule NONE = new SettingRule(Optional.empty(), Optional.empty(), Optional.empty());

    public SettingRule {
        concerns = concerns.map(Set::copyOf);
    }
}
