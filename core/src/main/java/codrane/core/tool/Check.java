package codrane.core.tool;

/**
 * One thing looked at before work begins.
 *
 * @param sentence what was found, and what to do about it
 */
public record Check(String title, State state, String sentence) {
    /** What was found. */
    public enum State {
        GOOD,
        PROBLEM,
        /** Codrane can't see it: a person looks. */
        ASK
    }

    public static Check good(String title, String sentence) {
        return new Check(title, State.GOOD, sentence);
    }

    public static Check problem(String title, String sentence) {
        return new Check(title, State.PROBLEM, sentence);
    }

    public static Check ask(String title, String sentence) {
        return new Check(title, State.ASK, sentence);
    }

    public boolean isGood() {
        return state == State.GOOD;
    }
}
