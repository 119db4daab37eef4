package codrane.core.pack;

import codrane.core.coding.Field;
import codrane.core.scale.CodedTyre;
import codrane.core.scale.TyreSize;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What a pack says of one setting beside where its bits are.
 *
 * @param concerns of the setting itself; empty when its module's count
 * @param least allowed value in its unit, for a scaled one
 * @param most allowed value in its unit, for a scaled one
 * @param presets values with a name, for a scaled one
 * @param otherSide the same on the vehicle's other side, for a scaled one
 * @param tyre whether it is how far a tyre rolls in one turn, in mm: then its size may be named instead
 */
public record SettingRule(
        Optional<Set<Concern>> concerns,
        Optional<BigDecimal> least,
        Optional<BigDecimal> most,
        List<Preset> presets,
        Optional<OtherSide> otherSide,
        boolean tyre) {
    public static final SettingRule NONE =
            new SettingRule(Optional.empty(), Optional.empty(), Optional.empty(), List.of(), Optional.empty(), false);

    /** @param value with its unit, as it is read */
    public record Preset(String name, String value) {}

    /**
     * @param field of the same block
     * @param apart how far the two may be from each other, in their unit, 0 or more
     */
    public record OtherSide(String field, BigDecimal apart) {}

    public SettingRule {
        concerns = concerns.map(Set::copyOf);
        presets = List.copyOf(presets);
    }

    SettingRule with(OtherSide side) {
        return new SettingRule(concerns, least, most, presets, Optional.of(side), tyre);
    }

    /** What is wished: where a preset was named its value, where a tyre's size was the value that it rolls. */
    public String meant(String wished, Field field) {
        Optional<String> named = presets.stream()
                .filter(p -> p.name().equalsIgnoreCase(wished.strip()))
                .map(Preset::value)
                .findFirst();
        return named.or(() -> tyre
                        ? TyreSize.parse(wished).map(size -> field.worded(CodedTyre.of(size, field)))
                        : Optional.empty())
                .orElse(wished.strip());
    }

    /** The preset's name of a value as it is read. */
    public Optional<String> named(String value) {
        return presets.stream()
                .filter(p -> p.value().equals(value))
                .map(Preset::name)
                .findFirst();
    }

    /** Whether a value in the setting's unit is within its limits. */
    public boolean allows(BigDecimal value) {
        return least.map(l -> value.compareTo(l) >= 0).orElse(true)
                && most.map(m -> value.compareTo(m) <= 0).orElse(true);
    }
}
