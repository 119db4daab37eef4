package codrane.core.run;

import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.ResponseCode;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsRequest.ReadDataByIdentifier;
import codrane.core.uds.UdsResponse;
import java.time.Duration;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/**
 * What is done with the vehicle's access code. None of it can be taken back, and a wrong code costs an attempt: what the
 * modules report is read before a code is sent, and read again after, whatever was answered; no code is sent twice
 * blindly.
 */
abstract sealed class SecretMachine extends GatedMachine permits PairMachine, LearnKeyMachine, KeysElsewhereMachine {
    private static final Set<Known> OF_THE_CODE =
            EnumSet.of(Known.INVALID_KEY, Known.EXCEEDED_ATTEMPTS, Known.TIME_DELAY_NOT_EXPIRED);

    private final RunTask.Secret task;

    SecretMachine(RunState state, RunTask.Secret task) {
        super(state, task);
        this.task = task;
    }

    @Override
    Phase ready() {
        return Phase.LOOK;
    }

    @Override
    Phase opened() {
        return Phase.CODE;
    }

    @Override
    RunAction action() {
        return switch (state.phase()) {
            case LOOK, LOOK_AGAIN -> report(teller(), "Ask the " + teller().lowerTitle() + " how it stands");
            case ATTEMPTS, WRONG_CODE -> report(task.module(), "Ask whether a code is taken");
            case CODE ->
                new RunAction.Send(task.title(), task.module().id(), codeRequest(), Operation.SECURITY, true, true);
            default -> super.action();
        };
    }

    /** Who tells whether it is done. */
    PackModule teller() {
        return task.module();
    }

    /** The codes follow it, which no run holds. */
    abstract UdsRequest codeRequest();

    private RunAction report(PackModule module, String purpose) {
        UdsRequest request = new ReadDataByIdentifier(task.immobiliser().state());
        return new RunAction.Send(purpose, module.id(), request, Operation.READ_IDENTIFICATION, false);
    }

    final Duration window() {
        return task.immobiliser().limits().window();
    }

    /** Whatever came back for the code, or nothing: it is not sent again, the modules are asked. */
    abstract Phase afterCode();

    @Override
    Step positive(UdsResponse response) {
        return switch (state.phase()) {
            case CODE -> go(afterCode());
            case LOOK, ATTEMPTS, WRONG_CODE, LOOK_AGAIN -> reported(data(response));
            default -> super.positive(response);
        };
    }

    private Step reported(Bytes octets) {
        Optional<ImmobiliserReport> report = ImmobiliserReport.of(octets);
        if (report.isEmpty()) return safe("does not tell how the immobiliser stands", "Scan again, then run the rest.");
        return switch (state.phase()) {
            case LOOK -> before(report.get());
            case ATTEMPTS -> attempts(report.get());
            case WRONG_CODE -> wrongCode(report.get());
            default -> after(report.get());
        };
    }

    /** What is reported before anything was sent. */
    abstract Step before(ImmobiliserReport report);

    /** What is reported after the code: this decides, not what was answered. */
    abstract Step after(ImmobiliserReport report);

    private Step attempts(ImmobiliserReport report) {
        return report.waits().isZero()
                ? go(Phase.SESSION)
                : safe(
                        "takes no code for another " + minutes(report.waits()),
                        "Leave the key on and wait; then release it again.");
    }

    private Step wrongCode(ImmobiliserReport report) {
        String left = report.waits().isZero()
                ? "; " + report.attemptsLeft() + (report.attemptsLeft() == 1 ? " attempt is" : " attempts are")
                        + " left"
                : "; it takes none for another " + minutes(report.waits());
        return safe(
                "did not take the code" + left,
                "Look at the code and whom it belongs to, type it anew at Prepare, then release it again.");
    }

    private static String minutes(Duration waits) {
        long seconds = waits.toSeconds();
        return seconds < 100 ? seconds + " s" : (seconds + 59) / 60 + " min";
    }

    /** A refused code is counted: how many attempts are left is read, never guessed. */
    @Override
    Step refused(ResponseCode code) {
        boolean ofCode = state.phase() == Phase.CODE
                && code.known().filter(OF_THE_CODE::contains).isPresent();
        return ofCode ? go(Phase.WRONG_CODE) : super.refused(code);
    }

    @Override
    Step silent(Duration waited) {
        if (state.phase() == Phase.CODE) return go(afterCode());
        return state.phase() == Phase.LOOK_AGAIN && triedEnough()
                ? safe(
                        "does not answer: whether it was done is not known",
                        "See that the key is on and the module has supply, then go on: it is asked first, and no code is sent"
                                + " blindly.")
                : super.silent(waited);
    }

    @Override
    PackModule asked() {
        boolean looks = state.phase() == Phase.LOOK || state.phase() == Phase.LOOK_AGAIN;
        return looks ? teller() : super.asked();
    }
}
