package codrane.app.job;

import java.util.Optional;

/** A person's reason, for the record. */
public final class Reason {
    private static final int LEAST = 5;
    private static final int MOST = 200;

    private Reason() {}

    /**
     * Why it is none; empty when it is one.
     *
     * @param what as in "Say in a few words why ..."
     */
    public static Optional<Acted> wrong(String why, String what) {
        if (why.strip().length() < LEAST) return Optional.of(Acted.refused("Say in a few words why " + what + "."));
        return why.length() > MOST
                ? Optional.of(Acted.refused("At most " + MOST + " characters for the reason."))
                : Optional.empty();
    }
}
