package codrane.link.run;

import codrane.core.gateway.OperationMatrix;
import codrane.core.power.PowerWindow;
import codrane.core.run.RunState;
import java.time.Duration;

/** What stands between an action and the wire: conditions that are awaited, and permissions that may be refused. */
public interface RunGates {
    /** An answer to whether the run may go on. */
    sealed interface Verdict {
        record Open() implements Verdict {}

        record Closed(String reason, String nextStep) implements Verdict {}
    }

    Verdict awaitPower(PowerWindow window);

    Verdict awaitKeyOn(String prompt);

    /** Asked before every request that is not a mere read. */
    OperationMatrix.Verdict permit(OperationMatrix.Operation operation);

    /** Returns when the next block may go: holds the run while the voltage is low. */
    void beforeBlock(RunState state);

    void pause(Duration time);
}
