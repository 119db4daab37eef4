package codrane.core.order;

import codrane.core.pack.Equipment.Family;
import codrane.core.pack.Equipment.VehicleOrder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** A vehicle order as somebody typed it from the papers: its codes, or what is wrong. */
public sealed interface TypedOrder {
    int FEW = 12;

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
                return new Wrong("\"" + code + "\" is no code of this model." + near(order, code));
            if (seen.contains(code)) return new Wrong(code + " is there twice.");
            seen.add(code);
        }
        for (Family family : order.families().values()) {
            List<String> both = family.inEachOthersWay(seen);
            if (!both.isEmpty())
                return new Wrong(String.join(" and ", both) + " exclude each other: a vehicle has one of \""
                        + family.title() + "\".");
        }
        return new Codes(order.titles().keySet().stream().filter(seen::contains).toList());
    }

    /** Codes that were perhaps meant: of the same family, or all when there are few; as the end of a sentence. */
    private static String near(VehicleOrder order, String code) {
        String stem = code.substring(0, Math.min(2, code.length()));
        boolean few = order.titles().size() <= FEW;
        String meant = order.titles().entrySet().stream()
                .filter(e -> few || e.getKey().startsWith(stem))
                .map(e -> e.getKey() + " (" + e.getValue() + ")")
                .collect(Collectors.joining(", "));
        return meant.isEmpty() ? "" : few ? " It knows " + meant + "." : " Like it are " + meant + ".";
    }
}
