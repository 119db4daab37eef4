package codrane.core.order;

import codrane.core.pack.Equipment.VehicleOrder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** A vehicle order as somebody typed it from the papers: its codes, or what is wrong. */
public sealed interface TypedOrder {
    /** In the order of the pack. */
    record Codes(List<String> codes) implements TypedOrder {}

    /** @param sentence naming the code */
    record Wrong(String sentence) implements TypedOrder {}

    /** @param text codes, separated by blanks, commas or lines */
    static TypedOrder of(VehicleOrder order, String text) {
        List<String> typed = Arrays.stream(text.toUpperCase(Locale.ROOT).split("[\\s,;]+"))
                .filter(code -> !code.isEmpty())
                .toList();
        if (typed.isEmpty()) return new Wrong("Type the codes as they stand on the papers.");
        List<String> seen = new ArrayList<>();
        for (String code : typed) {
            if (!order.titles().containsKey(code))
                return new Wrong("\"" + code + "\" is no code of this model. It knows "
                        + order.titles().entrySet().stream()
                                .map(e -> e.getKey() + " (" + e.getValue() + ")")
                                .collect(Collectors.joining(", "))
                        + ".");
            if (seen.contains(code)) return new Wrong(code + " is there twice.");
            seen.add(code);
        }
        for (var family : order.families().entrySet()) {
            List<String> both =
                    family.getValue().stream().filter(seen::contains).toList();
            if (both.size() > 1)
                return new Wrong(String.join(" and ", both) + " exclude each other: a vehicle has one of \""
                        + family.getKey() + "\".");
        }
        return new Codes(order.titles().keySet().stream().filter(seen::contains).toList());
    }
}
