package codrane.app.press;

import java.util.Optional;

/**
 * What came with a press besides its fields. Acts find it by themselves: there is one for each request.
 *
 * @param key of the form, used once; for a form without one, what was pressed by whom
 * @param named whether the key is the form's own
 * @param seen version of the job that the page showed
 */
public record Pressed(String key, boolean named, Optional<Long> seen) {
    private static final ThreadLocal<Pressed> CURRENT = new ThreadLocal<>();

    public static void put(Pressed pressed) {
        CURRENT.set(pressed);
    }

    public static void clear() {
        CURRENT.remove();
    }

    /** Empty when no form was pressed: a test, or work in the background. */
    public static Optional<Pressed> current() {
        return Optional.ofNullable(CURRENT.get());
    }
}
