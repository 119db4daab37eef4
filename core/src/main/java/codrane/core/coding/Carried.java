package codrane.core.coding;

import codrane.core.octets.Bytes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A block of one software as another software keeps it: every setting that both know has the value that it had, wherever it
 * stands now.
 *
 * @param block with its check made right
 * @param gone titles of settings that are not there any more
 * @param fresh titles of settings that were not there before, or can't be what they were: as the vehicle was built
 */
public record Carried(Bytes block, List<String> gone, List<String> fresh) {
    public Carried {
        gone = List.copyOf(gone);
        fresh = List.copyOf(fresh);
    }

    /**
     * Bits without a name are not carried: nobody knows where they belong.
     *
     * @param block of the length that {@code from} says
     */
    public static Carried of(Layout from, Bytes block, Layout to) {
        if (from.equals(to)) return new Carried(block, List.of(), List.of());
        Bytes carried = Bytes.filled(to.length(), 0);
        List<String> fresh = new ArrayList<>();
        for (Field field : to.fields()) {
            Bytes before = carried;
            carried = from.field(field.key())
                    .flatMap(was -> field.carried(was, block, before).or(() -> field.write(before, was.read(block))))
                    .orElseGet(() -> {
                        fresh.add(field.title());
                        return built(to, field, before);
                    });
        }
        List<String> gone = from.fields().stream()
                .filter(field -> to.field(field.key()).isEmpty())
                .map(Field::title)
                .toList();
        return new Carried(to.check().apply(carried), gone, fresh);
    }

    private static Bytes built(Layout layout, Field field, Bytes block) {
        return Optional.ofNullable(layout.factory().get(field.key()))
                .flatMap(value -> field.write(block, value))
                .orElse(block);
    }
}
