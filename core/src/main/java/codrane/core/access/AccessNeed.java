package codrane.core.access;

/**
 * One thing that must be so before an authority grants.
 *
 * @param sentence what is so, or what is missing
 * @param byOwner only the workshop's owner can bring it about
 */
public record AccessNeed(Kind kind, State state, String sentence, boolean byOwner) {
    /** In the order in which they are got. */
    public enum Kind {
        ACCOUNT,
        MAIL,
        PLAN,
        CHECK,
        TECHNICIAN,
        TOOL
    }

    /** Whether it is so. */
    public enum State {
        HELD,
        OPEN,
        /** Nothing is to be done but to wait. */
        WAITS
    }

    public boolean held() {
        return state == State.HELD;
    }
}
