package codrane.core.job;

import java.time.Instant;
import java.util.Optional;

/**
 * A run as it is stored.
 *
 * @param taskIndex of the current task, from 0
 * @param committed between erase and verify: can pause, can't stop
 * @param block last block on the wire, from 1; 0 when none
 */
public record JobRun(
        long id,
        long planId,
        State state,
        int taskIndex,
        int taskCount,
        String taskTitle,
        boolean committed,
        int block,
        int blocks,
        long confirmedBytes,
        Instant startedAt,
        String startedBy,
        Optional<Instant> endedAt,
        String sentence,
        String nextStep) {
    /** States of a run. Interrupted: the vehicle needs recovery. Stopped: ended where it is safe. */
    public enum State {
        RUNNING,
        FINISHED,
        STOPPED,
        INTERRUPTED
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
}
