package codrane.core.run;

import codrane.core.octets.Bytes;
import codrane.core.octets.DecodeResult;
import codrane.core.octets.DecodeResult.Decoded;
import codrane.core.run.RunState.Phase;
import codrane.core.text.Words;
import codrane.core.uds.ResponseCode;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsRequest.RoutineControl;
import codrane.core.uds.UdsResponse;
import java.time.Duration;

/** One key, learned while somebody turns it within the window. */
final class LearnKeyMachine extends SecretMachine {
    private static final Duration ASK_EVERY = Duration.ofSeconds(1);
    /** A module may be a little slower than its window. */
    private static final int SLACK_SECONDS = 5;

    private static final int RUNNING = 1;

    private final RunTask.LearnKey task;

    LearnKeyMachine(RunState state, RunTask.LearnKey task) {
        super(state, task);
        this.task = task;
    }

    @Override
    Step askPerson() {
        return new Step(
                state,
                new RunAction.Stopped(
                        false,
                        "What is before it is written. \"" + task.title() + "\" is begun by somebody at the vehicle.",
                        "Put key " + task.number() + " in and turn it on. Then release it, and turn the key off"
                                + " and on within " + window().toSeconds() + " s."));
    }

    @Override
    RunAction action() {
        return state.phase() == Phase.WINDOW
                ? asks(
                        "Turn the key off and on: about %d s left".formatted(left()),
                        RoutineControl.results(task.immobiliser().keyRoutine()))
                : super.action();
    }

    private long left() {
        return Math.max(0, window().toSeconds() - state.tries());
    }

    @Override
    UdsRequest codeRequest() {
        return RoutineControl.start(task.immobiliser().keyRoutine(), Bytes.EMPTY);
    }

    @Override
    Phase afterCode() {
        return Phase.WINDOW;
    }

    @Override
    Step positive(UdsResponse response) {
        if (state.phase() != Phase.WINDOW) return super.positive(response);
        return DecodeResult.read(status(response), in -> new Window(in.u8("result"), in.u8("keys")))
                        instanceof Decoded<Window>(Window window)
                ? watched(window)
                : go(Phase.LOOK_AGAIN);
    }

    /** @param keys known now */
    private record Window(int result, int keys) {}

    private Step watched(Window window) {
        if (window.keys() == task.number()) return done();
        return window.result() == RUNNING ? waiting() : go(Phase.LOOK_AGAIN);
    }

    /** While the key is off nobody need answer. */
    private Step waiting() {
        boolean open = state.tries() < window().toSeconds() + SLACK_SECONDS;
        return open ? new Step(state.again(), new RunAction.Pause(task.title(), ASK_EVERY)) : go(Phase.LOOK_AGAIN);
    }

    @Override
    Step before(ImmobiliserReport report) {
        if (report.keys() == task.number()) return done(); // "failed" may have worked
        if (report.keys() == task.number() - 1) return go(Phase.ATTEMPTS);
        return safe(
                "knows " + Words.count(report.keys(), "key") + " where " + learned(task.number() - 1) + " learned here",
                "Find out whose keys these are: count and try each, then plan again.");
    }

    private static String learned(int keys) {
        return keys == 0 ? "none was" : keys == 1 ? "1 was" : keys + " were";
    }

    @Override
    Step after(ImmobiliserReport report) {
        return report.keys() == task.number()
                ? done()
                : safe(
                        "saw no key turned within " + window().toSeconds() + " s",
                        "Put key " + task.number() + " in, then release it again: the window opens anew.");
    }

    @Override
    Step refused(ResponseCode code) {
        return state.phase() == Phase.WINDOW ? waiting() : super.refused(code);
    }

    @Override
    Step silent(Duration waited) {
        return state.phase() == Phase.WINDOW ? waiting() : super.silent(waited);
    }
}
