package codrane.core.run;

/** New state and the one action that it asks for. */
public record Step(RunState state, RunAction action) {}
