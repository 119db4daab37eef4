package codrane.link;

import org.jspecify.annotations.Nullable;

/** The link to the vehicle is gone: cable, interface or the vehicle's own supply. */
public class LinkLostException extends RuntimeException {
    public LinkLostException(String message) {
        super(message);
    }

    public LinkLostException(String message, @Nullable Throwable cause) {
        super(message, cause);
    }
}
