package codrane.app.access;

import org.jspecify.annotations.Nullable;

/** An authority can't be reached, or answered what can't be read; the message is for people. */
public class AuthorityException extends RuntimeException {
    AuthorityException(String message) {
        super(message);
    }

    AuthorityException(String message, @Nullable Throwable cause) {
        super(message, cause);
    }
}
