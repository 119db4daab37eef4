package codrane.app.job;

/** What became of an act. */
public sealed interface Acted {
    record Done() implements Acted {}

    /** @param sentence why not, and what to do; nothing was changed */
    record Refused(String sentence) implements Acted {}
}
