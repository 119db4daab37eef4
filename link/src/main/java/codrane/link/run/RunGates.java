package codrane.link.run;

import codrane.core.gateway.OperationMatrix;
import codrane.core.octets.Bytes;
import codrane.core.pack.Habits.KeyCycle;
import codrane.core.power.PowerWindow;
import codrane.core.run.Reply;
import codrane.core.run.RunAction;
import codrane.core.run.RunState;
import java.time.Duration;
import java.util.Optional;
import java.util.function.Function;

/** What stands between an action and the wire: conditions that are awaited, and permissions that may be refused. */
public interface RunGates {
    /** An answer to whether the run may go on. */
    sealed interface Verdict {
        record Open() implements Verdict {}

        record Closed(String reason, String nextStep) implements Verdict {}
    }

    /** Between tasks this waits for as long as it takes; only before anything was done may it close for want of power. */
    Verdict awaitPower(RunState state, PowerWindow window);

    /** As {@link #awaitPower}. */
    Verdict awaitConditions(RunState state, RunAction.AwaitConditions conditions);

    /** Waits until the key was turned in time, however often it starts over. */
    Verdict awaitKeyTurn(RunState state, KeyCycle cycle);

    /** Asked before every request that is not a mere read. */
    OperationMatrix.Verdict permit(OperationMatrix.Operation operation);

    /**
     * Asked before anything is sent: closed when the run was told to stop. Before a block it also holds the run while the
     * voltage is low.
     */
    Verdict beforeSending(RunState state);

    void pause(Duration time);

    /** A pause of the run's own, of which somebody may be told. */
    default void pause(RunAction.Pause pause) {
        pause(pause.time());
    }

    /**
     * Sends what the vehicle's codes belong to, without a trace of them.
     *
     * @param exchange given the codes
     * @return empty when they are not here
     */
    default Optional<Reply> withCodes(Function<Bytes, Reply> exchange) {
        return Optional.empty();
    }
}
