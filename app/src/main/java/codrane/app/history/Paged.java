package codrane.app.history;

import java.util.List;
import java.util.Optional;
import java.util.function.ToLongFunction;

/** Rows of one page, and where the next one begins. */
record Paged<T>(List<T> rows, Optional<Long> older) {
    /** On one page. */
    static final int MOST = 50;

    /**
     * @param found one more than a page holds, when there are more
     * @param key under which the next page begins
     */
    static <T> Paged<T> of(List<T> found, ToLongFunction<T> key) {
        if (found.size() <= MOST) return new Paged<>(found, Optional.empty());
        List<T> rows = found.subList(0, MOST);
        return new Paged<>(rows, Optional.of(key.applyAsLong(rows.getLast())));
    }
}
