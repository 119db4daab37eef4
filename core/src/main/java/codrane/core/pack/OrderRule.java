package codrane.core.pack;

import java.util.Optional;

/**
 * How a setting follows from the vehicle order.
 *
 * @param to its value where the condition holds
 * @param otherwise its value where no rule of the setting holds; at most one rule of a setting says so
 */
public record OrderRule(CodeCondition when, Feature.Setting setting, String to, Optional<String> otherwise) {}
