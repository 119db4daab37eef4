package codrane.core.part;

import java.util.Arrays;
import java.util.List;
import java.util.regex.Pattern;

/**
 * A software version: numbers between dots, compared number by number; a missing number counts as 0.
 *
 * @param numbers each 0..999999
 */
public record Version(List<Integer> numbers) implements Comparable<Version> {
    private static final Pattern SHAPE = Pattern.compile("\\d{1,6}(\\.\\d{1,6}){0,5}");

    public Version {
        numbers = List.copyOf(numbers);
    }

    /** Text that is no version (a foreign or altered one) compares as older than every version. */
    public static Version parse(String text) {
        if (!SHAPE.matcher(text.strip()).matches()) return new Version(List.of());
        return new Version(
                Arrays.stream(text.strip().split("\\.")).map(Integer::valueOf).toList());
    }

    @Override
    public int compareTo(Version other) {
        for (int i = 0; i < Math.max(numbers.size(), other.numbers.size()); i++) {
            int order = Integer.compare(at(i), other.at(i));
            if (order != 0) return order;
        }
        return Integer.compare(numbers.size(), other.numbers.size());
    }

    private int at(int index) {
        return index < numbers.size() ? numbers.get(index) : 0;
    }
}
