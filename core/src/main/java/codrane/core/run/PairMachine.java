package codrane.core.run;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsRequest.RoutineControl;

/** A module paired with the keeper of the immobiliser's secret. */
final class PairMachine extends SecretMachine {
    private final RunTask.Pair task;

    PairMachine(RunState state, RunTask.Pair task) {
        super(state, task);
        this.task = task;
    }

    @Override
    PackModule teller() {
        return task.member();
    }

    @Override
    UdsRequest codeRequest() {
        return RoutineControl.start(
                task.immobiliser().pairRoutine(), Bytes.of(task.member().address()));
    }

    @Override
    Phase afterCode() {
        return Phase.LOOK_AGAIN;
    }

    @Override
    Step before(ImmobiliserReport report) {
        return report.paired() ? done() : go(Phase.ATTEMPTS);
    }

    @Override
    Step after(ImmobiliserReport report) {
        return report.paired()
                ? done()
                : safe(
                        task.module(),
                        "ended the pairing, and the " + task.member().lowerTitle() + " says that it is not paired",
                        "Check that it has supply and answers, then release it again.");
    }
}
