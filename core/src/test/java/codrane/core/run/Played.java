package codrane.core.run;

import codrane.core.gateway.OperationMatrix;
import codrane.core.uds.UdsRequest;
import java.util.List;
import java.util.function.Function;

/** A run played against modules that answer at once, until it ends or stops. */
final class Played {
    private static final int MOST_STEPS = 500;

    private Played() {}

    /** @param happened what is done besides sending is added to it, by name */
    static Step run(RunState start, Function<RunAction.Send, Reply> modules, List<String> happened) {
        Step step = RunMachine.next(start, new RunEvent.Proceed());
        for (int i = 0; i < MOST_STEPS; i++) {
            switch (step.action()) {
                case RunAction.Finished finished -> {
                    return step;
                }
                case RunAction.Stopped stopped -> {
                    return step;
                }
                case RunAction.Send send ->
                    step = RunMachine.next(step.state(), new RunEvent.Answered(modules.apply(send)));
                case RunAction.SendKey key ->
                    step = RunMachine.next(step.state(), new RunEvent.Answered(modules.apply(keyed(key))));
                default -> {
                    happened.add(step.action().getClass().getSimpleName());
                    step = RunMachine.next(step.state(), new RunEvent.Proceed());
                }
            }
        }
        throw new IllegalStateException("the run does not end");
    }

    /** As whoever carries it out does, with the seed itself for a key. */
    static RunAction.Send keyed(RunAction.SendKey action) {
        return new RunAction.Send(
                action.purpose(),
                action.module(),
                new UdsRequest.SendKey(action.level(), action.seed()),
                OperationMatrix.Operation.SECURITY,
                false);
    }
}
