package codrane.core.run;

import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.octets.Bytes;
import codrane.core.pack.Habits.KeyCycle;
import codrane.core.pack.VehicleCondition;
import codrane.core.power.PowerWindow;
import codrane.core.uds.UdsRequest;
import java.time.Duration;
import java.util.List;

/** What the executor does next. */
public sealed interface RunAction {
    /**
     * @param purpose for people and the journal
     * @param operation asked of the gateway matrix before sending
     * @param writes whether it changes something in the module
     * @param code whether the vehicle's codes follow the request: they are nowhere but on the wire
     */
    record Send(String purpose, String module, UdsRequest request, Operation operation, boolean writes, boolean code)
            implements RunAction {
        public Send(String purpose, String module, UdsRequest request, Operation operation, boolean writes) {
            this(purpose, module, request, operation, writes, false);
        }
    }

    /**
     * The key for a seed, which whoever carries it out has from a {@link codrane.core.access.KeyProvider}.
     *
     * @param level of the seed, odd; the key's request is the next one
     * @param seed as the module sent it
     */
    record SendKey(String purpose, String module, int level, Bytes seed) implements RunAction {}

    /**
     * One block of a download; the executor takes the data from the checked file.
     *
     * @param number from 1
     * @param counter block sequence counter, 0..255
     */
    record SendBlock(String module, int number, int counter, long address, int length) implements RunAction {}

    record AwaitPower(PowerWindow window) implements RunAction {}

    /**
     * Conditions of the vehicle, read where it tells them; others its modules check.
     *
     * @param prompt what a person does for them
     */
    record AwaitConditions(List<VehicleCondition> needs, String prompt) implements RunAction {
        public AwaitConditions {
            needs = List.copyOf(needs);
        }
    }

    /** A timed turn of the key, watched where the vehicle tells it. */
    record AwaitKeyTurn(KeyCycle cycle) implements RunAction {}

    record Pause(String purpose, Duration time) implements RunAction {}

    record Finished() implements RunAction {}

    /**
     * @param lost true: the module needs recovery; false: stopped where it is safe
     * @param sentence what happened and what it means for the vehicle
     * @param nextStep what to do now
     */
    record Stopped(boolean lost, String sentence, String nextStep) implements RunAction {}
}
