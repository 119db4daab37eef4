package codrane.core.run;

/** What the executor reports back. */
public sealed interface RunEvent {
    /** The first event, and the one after an action that gives no answer of its own. */
    record Proceed() implements RunEvent {}

    record Answered(Reply reply) implements RunEvent {}
}
