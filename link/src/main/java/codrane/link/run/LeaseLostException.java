package codrane.link.run;

/** The run no longer holds the interface: it must not send. */
public final class LeaseLostException extends RuntimeException {
    private static final long serialVersionUID = 1;

    public LeaseLostException(String name) {
        super("the lease of " + name + " was lost");
    }
}
