package codrane.core.run;

import codrane.core.run.RunState.Phase;
import codrane.core.text.Words;
import codrane.core.uds.UdsRequest;

/** Keys that another tool learns: nothing is sent but the question how many are known. */
final class KeysElsewhereMachine extends SecretMachine {
    private final RunTask.KeysElsewhere task;

    KeysElsewhereMachine(RunState state, RunTask.KeysElsewhere task) {
        super(state, task);
        this.task = task;
    }

    @Override
    Step begin() {
        return go(Phase.LOOK);
    }

    @Override
    Step askPerson() {
        return new Step(
                state,
                new RunAction.Stopped(
                        false,
                        "What is before it is written. \"" + task.title() + "\" is done with " + tool() + ".",
                        "Carry over the VIN, the codes and " + Words.count(task.keys(), "key") + ", each within "
                                + window().toSeconds()
                                + " s of the one before. Then release it: how many keys are known is read."));
    }

    private String tool() {
        return String.join(" or ", task.immobiliser().keysWith());
    }

    @Override
    Step before(ImmobiliserReport report) {
        return report.keys() == task.keys()
                ? done()
                : safe(
                        "knows " + Words.count(report.keys(), "key") + ", and "
                                + (task.keys() == 1 ? "1 is" : task.keys() + " are") + " here",
                        "Learn them with " + tool() + ", try each, then release it again.");
    }

    @Override
    Step after(ImmobiliserReport report) {
        throw noCode();
    }

    @Override
    UdsRequest codeRequest() {
        throw noCode();
    }

    @Override
    Phase afterCode() {
        throw noCode();
    }

    private static IllegalStateException noCode() {
        return new IllegalStateException("another tool learns them: no code is sent");
    }
}
