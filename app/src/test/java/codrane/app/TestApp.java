package codrane.app;

import java.io.IOException;
import java.io.UncheckedIOException;

/** The shared running application, for tests in the packages of features. */
public final class TestApp {
    private TestApp() {}

    public static <T> T bean(Class<T> type) {
        try {
            return RunningApp.shared().bean(type);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
