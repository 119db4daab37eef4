package codrane.core.job;

import java.time.Instant;
import java.util.Optional;

/**
 * A run of a plan.
 *
 * @param sentence how it ended; empty while it runs
 * @param nextStep what to do then
 */
public record JobRun(long id, long planId, State state, Place place, Span span, String sentence, String nextStep) {
    /** States of a run. Interrupted: the vehicle needs recovery. Stopped: ended where it is safe. */
    public enum State {
        RUNNING,
        FINISHED,
        STOPPED,
        INTERRUPTED
    }

    /**
     * How far it is.
     *
     * @param index of the current task, from 0
     * @param committed between erase and verify: can pause, can't stop
     * @param block last block on the wire, from 1; 0 when none
     */
    public record Place(
            int index, int count, String title, boolean committed, int block, int blocks, long confirmedBytes) {}

    public record Span(Instant startedAt, String startedBy, Optional<Instant> endedAt) {}

    public int taskIndex() {
        return place.index();
    }

    public int taskCount() {
        return place.count();
    }

    public String taskTitle() {
        return place.title();
    }

    public boolean committed() {
        return place.committed();
    }

    public int block() {
        return place.block();
    }

    public int blocks() {
        return place.blocks();
    }

    public Instant startedAt() {
        return span.startedAt();
    }

    public String startedBy() {
        return span.startedBy();
    }

    public Optional<Instant> endedAt() {
        return span.endedAt();
    }

    public boolean running() {
        return state == State.RUNNING;
    }

    public boolean interrupted() {
        return state == State.INTERRUPTED;
    }

    public boolean finished() {
        return state == State.FINISHED;
    }

    /** Whether it holds the vehicle: it runs, or waits to be recovered. */
    public boolean holds() {
        return running() || interrupted();
    }
}
