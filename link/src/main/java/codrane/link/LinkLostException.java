package codrane.link;

/** The link to the vehicle is gone: cable, interface or the vehicle's own supply. */
public class LinkLostException extends RuntimeException {
    public LinkLostException(String message) {
        super(message);
    }

    public LinkLostException(String message, Throwable cause) {
        super(message, cause);
    }
}
