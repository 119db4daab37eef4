package codrane.core.run;

import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.octets.Bytes;
import codrane.core.pack.Equipment.Immobiliser;
import codrane.core.pack.PackModule;
import codrane.core.run.RunState.Phase;
import codrane.core.text.Words;
import codrane.core.uds.Requests;
import codrane.core.uds.ResponseCode;
import codrane.core.uds.ResponseCode.Known;
import java.time.Duration;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/**
 * The steps of pairing a module with the keeper of the immobiliser's secret, and of learning a key. Neither can be taken
 * back, and a wrong code costs an attempt: what the modules report is read before a code is sent, and read again after,
 * whatever was answered; no code is sent twice blindly.
 */
final class SecretSteps {
    private static final Duration ASK_EVERY = Duration.ofSeconds(1);
    /** A module may be a little slower than its window. */
    private static final int SLACK_SECONDS = 5;

    private static final int RUNNING = 1;
    private static final Set<Known> OF_THE_CODE =
            EnumSet.of(Known.INVALID_KEY, Known.EXCEEDED_ATTEMPTS, Known.TIME_DELAY_NOT_EXPIRED);

    private SecretSteps() {}

    /** A key is learned by somebody who holds it, here or with another tool. */
    static Step askPerson(RunState state) {
        String title = "What is before it is written. \"" + state.task().title() + "\" ";
        long seconds = window(state).toSeconds();
        return new Step(
                state,
                switch (task(state)) {
                    case RunTask.LearnKey key ->
                        new RunAction.Stopped(
                                false,
                                title + "is begun by somebody at the vehicle.",
                                "Put key " + key.number() + " in and turn it on. Then release it, and turn the key off"
                                        + " and on within " + seconds + " s.");
                    case RunTask.KeysElsewhere keys ->
                        new RunAction.Stopped(
                                false,
                                title + "is done with " + tool(keys) + ".",
                                "Carry over the VIN, the codes and " + Words.count(keys.keys(), "key")
                                        + ", each within " + seconds
                                        + " s of the one before. Then release it: how many keys are known is read.");
                    case RunTask.Pair pair ->
                        throw new IllegalStateException("pairing is released with what is before it");
                });
    }

    private static String tool(RunTask.KeysElsewhere keys) {
        return String.join(" or ", keys.immobiliser().keysWith());
    }

    static RunAction action(RunState state) {
        RunTask.Secret task = task(state);
        return switch (state.phase()) {
            case LOOK, LOOK_AGAIN ->
                read(state, looked(task), "Ask the " + looked(task).lowerTitle() + " how it stands");
            case ATTEMPTS, WRONG_CODE -> read(state, task.module(), "Ask whether a code is taken");
            case CODE ->
                new RunAction.Send(
                        state.task().title(),
                        task.module().id(),
                        Requests.startRoutine(routine(task), argument(task)),
                        Operation.SECURITY,
                        true,
                        true);
            case WINDOW ->
                RunMachine.send(
                        state,
                        "Turn the key off and on: about %d s left".formatted(left(state)),
                        Requests.requestRoutineResults(task.immobiliser().keyRoutine()),
                        Operation.READ_IDENTIFICATION,
                        false);
            default -> throw new IllegalStateException(state.phase() + " is no step of the immobiliser's");
        };
    }

    private static RunAction read(RunState state, PackModule module, String purpose) {
        Bytes request = Requests.readDataByIdentifier(task(state).immobiliser().state());
        return new RunAction.Send(purpose, module.id(), request, Operation.READ_IDENTIFICATION, false);
    }

    /** Who tells whether it is done: the paired member, or the keeper of the keys. */
    private static PackModule looked(RunTask.Secret task) {
        return switch (task) {
            case RunTask.Pair pair -> pair.member();
            case RunTask.LearnKey key -> key.module();
            case RunTask.KeysElsewhere keys -> keys.module();
        };
    }

    private static int routine(RunTask.Secret task) {
        Immobiliser immobiliser = task.immobiliser();
        return switch (task) {
            case RunTask.Pair pair -> immobiliser.pairRoutine();
            case RunTask.LearnKey key -> immobiliser.keyRoutine();
            case RunTask.KeysElsewhere keys -> throw new IllegalStateException("another tool learns them");
        };
    }

    /** The codes follow, which no run holds. */
    private static Bytes argument(RunTask.Secret task) {
        return switch (task) {
            case RunTask.Pair pair -> Bytes.of(pair.member().address());
            case RunTask.LearnKey key -> Bytes.EMPTY;
            case RunTask.KeysElsewhere keys -> throw new IllegalStateException("another tool learns them");
        };
    }

    private static long left(RunState state) {
        return Math.max(0, window(state).toSeconds() - state.tries());
    }

    private static Duration window(RunState state) {
        return task(state).immobiliser().limits().window();
    }

    /** Whatever came back for the code, or nothing: it is not sent again, the modules are asked. */
    static RunState sent(RunState state) {
        return state.at(state.task() instanceof RunTask.Pair ? Phase.LOOK_AGAIN : Phase.WINDOW);
    }

    static Step positive(RunState state, Bytes message) {
        if (state.phase() == Phase.CODE) return RunMachine.enter(sent(state));
        if (state.phase() == Phase.WINDOW) return window(state, message);
        Optional<ImmobiliserReport> report = ImmobiliserReport.of(message.from(3));
        if (report.isEmpty())
            return RunMachine.safe(state, "does not tell how the immobiliser stands", "Scan again, then run the rest.");
        return switch (state.phase()) {
            case LOOK -> looked(state, report.get());
            case ATTEMPTS -> attempts(state, report.get());
            case WRONG_CODE -> wrongCode(state, report.get());
            default -> again(state, report.get());
        };
    }

    private static Step looked(RunState state, ImmobiliserReport report) {
        return switch (task(state)) {
            case RunTask.Pair pair -> report.paired() ? done(state) : RunMachine.enter(state.at(Phase.ATTEMPTS));
            case RunTask.KeysElsewhere keys ->
                report.keys() == keys.keys()
                        ? done(state)
                        : RunMachine.safe(
                                state,
                                "knows " + Words.count(report.keys(), "key") + ", and "
                                        + (keys.keys() == 1 ? "1 is" : keys.keys() + " are") + " here",
                                "Learn them with " + tool(keys) + ", try each, then release it again.");
            case RunTask.LearnKey key -> {
                if (report.keys() == key.number()) yield done(state); // "failed" may have worked
                if (report.keys() == key.number() - 1) yield RunMachine.enter(state.at(Phase.ATTEMPTS));
                yield RunMachine.safe(
                        state,
                        "knows " + Words.count(report.keys(), "key") + " where " + learned(key.number() - 1)
                                + " learned here",
                        "Find out whose keys these are: count and try each, then plan again.");
            }
        };
    }

    private static String learned(int keys) {
        return keys == 0 ? "none was" : keys == 1 ? "1 was" : keys + " were";
    }

    private static Step done(RunState state) {
        return RunMachine.enter(state.nextTask());
    }

    private static Step attempts(RunState state, ImmobiliserReport report) {
        if (!report.waits().isZero())
            return RunMachine.safe(
                    state,
                    "takes no code for another " + minutes(report.waits()),
                    "Leave the key on and wait; then release it again.");
        return RunMachine.enter(state.at(Phase.SESSION));
    }

    private static String minutes(Duration waits) {
        long seconds = waits.toSeconds();
        return seconds < 100 ? seconds + " s" : (seconds + 59) / 60 + " min";
    }

    private static Step wrongCode(RunState state, ImmobiliserReport report) {
        String left = report.waits().isZero()
                ? "; " + report.attemptsLeft() + (report.attemptsLeft() == 1 ? " attempt is" : " attempts are")
                        + " left"
                : "; it takes none for another " + minutes(report.waits());
        return RunMachine.safe(
                state,
                "did not take the code" + left,
                "Look at the code and whom it belongs to, type it anew at Prepare, then release it again.");
    }

    /** What the module reports decides, not what was answered. */
    private static Step again(RunState state, ImmobiliserReport report) {
        return switch (task(state)) {
            case RunTask.Pair pair ->
                report.paired()
                        ? done(state)
                        : RunMachine.safe(
                                state,
                                "ended the pairing, and the " + pair.member().lowerTitle()
                                        + " says that it is not paired",
                                "Check that it has supply and answers, then release it again.");
            case RunTask.KeysElsewhere keys -> throw new IllegalStateException("another tool learns them");
            case RunTask.LearnKey key ->
                report.keys() == key.number()
                        ? done(state)
                        : RunMachine.safe(
                                state,
                                "saw no key turned within " + window(state).toSeconds() + " s",
                                "Put key " + key.number() + " in, then release it again: the window opens anew.");
        };
    }

    private static Step window(RunState state, Bytes message) {
        boolean tells = message.length() >= 6;
        RunTask.LearnKey key = (RunTask.LearnKey) state.task();
        if (tells && message.u8(5) == key.number()) return done(state);
        return tells && message.u8(4) == RUNNING ? waiting(state) : RunMachine.enter(state.at(Phase.LOOK_AGAIN));
    }

    /** While the key is off nobody need answer. */
    static Step waiting(RunState state) {
        boolean open = state.tries() < window(state).toSeconds() + SLACK_SECONDS;
        return open
                ? new Step(state.again(), new RunAction.Pause(state.task().title(), ASK_EVERY))
                : RunMachine.enter(state.at(Phase.LOOK_AGAIN));
    }

    /** A refused code is counted: how many attempts are left is read, never guessed. */
    static Step refused(RunState state, ResponseCode code) {
        if (state.phase() == Phase.WINDOW) return waiting(state);
        boolean ofCode = state.phase() == Phase.CODE
                && code.known().filter(OF_THE_CODE::contains).isPresent();
        return ofCode
                ? RunMachine.enter(state.at(Phase.WRONG_CODE))
                : RunMachine.safe(state, "refuses: " + code.words(), code.nextStep());
    }

    private static RunTask.Secret task(RunState state) {
        return (RunTask.Secret) state.task();
    }
}
