package codrane.app.access;

/** An authority can't be reached, or answered what can't be read; the message is for people. */
public final class AuthorityException extends RuntimeException {
    AuthorityException(String message) {
        super(message);
    }

    AuthorityException(String message, Throwable cause) {
        super(message, cause);
    }
}
