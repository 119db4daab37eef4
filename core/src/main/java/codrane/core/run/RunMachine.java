package codrane.core.run;

import codrane.core.access.SimulatedKey;
import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.pack.VehicleCondition;
import codrane.core.run.Reply.Positive;
import codrane.core.run.Reply.Refused;
import codrane.core.run.Reply.Silent;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.Requests;
import codrane.core.uds.ResponseCode;
import codrane.core.uds.ResponseCode.Known;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Advances a run by one answer. Pure: no clock, no link. {@code next} judges the answer to the action before, and gives
 * the next action.
 */
public final class RunMachine {
    /** Refusals whose cause a person takes away. */
    private static final Set<Known> MENDED_OUTSIDE = EnumSet.of(
            Known.VOLTAGE_TOO_LOW, Known.TEMPERATURE_TOO_HIGH, Known.ENGINE_IS_RUNNING, Known.ENGINE_IS_NOT_RUNNING);

    static final int MOST_TRIES = 3;

    private RunMachine() {}

    /** What must be sent before a run is stopped here: what moves is stopped with it. */
    public static Optional<RunAction.Send> beforeStopping(RunState state) {
        boolean moves = state.phase() == Phase.RESULT && state.task() instanceof RunTask.Routine;
        return moves ? Optional.of(RoutineSteps.halt(state)) : Optional.empty();
    }

    public static Step next(RunState state, RunEvent event) {
        if (state.finished()) return new Step(state, new RunAction.Finished());
        return switch (event) {
            case RunEvent.Proceed() -> proceed(state);
            case RunEvent.Answered(Reply reply) -> answered(state, reply);
        };
    }

    private static Step proceed(RunState state) {
        return switch (state.phase()) {
            case BEGIN -> begin(state);
            case POWER -> enter(state.at(state.task() instanceof RunTask.Routine ? Phase.CONDITIONS : Phase.PROMPT));
            case PROMPT -> enter(state.at(looksFirst(state.task()) ? Phase.LOOK : Phase.SESSION));
            case CONDITIONS -> enter(state.at(Phase.SESSION));
            case RESTART -> enter(state.at(Phase.WAKE));
            default -> enter(state);
        };
    }

    private static Step begin(RunState state) {
        return switch (state.task()) {
            case RunTask.Program program -> enter(state.at(Phase.POWER));
            case RunTask.Write write -> enter(state.at(Phase.POWER));
            case RunTask.Routine routine -> RoutineSteps.begin(state, routine);
            case RunTask.KeysElsewhere keys -> enter(state.at(Phase.LOOK)); // nothing is sent but a question
            case RunTask.Secret secret -> enter(state.at(Phase.POWER));
            case RunTask.LearnVin learn -> enter(state.at(Phase.POWER));
            case RunTask.Restart restart -> enter(state.at(Phase.RESTART));
            case RunTask.Clear clear -> enter(state.at(Phase.CLEAR));
        };
    }

    private static Step answered(RunState state, Reply reply) {
        return switch (reply) {
            case Positive(Bytes message) -> positive(state, message);
            case Refused(ResponseCode code) -> refused(state, code);
            case Silent silent -> silent(state, silent);
        };
    }

    /** The action that belongs to a state. */
    static Step enter(RunState state) {
        if (state.finished()) return new Step(state, new RunAction.Finished());
        if (state.phase() == Phase.BEGIN) return begin(state);
        if (state.phase() == Phase.ASK_PERSON)
            return state.task() instanceof RunTask.Secret
                    ? SecretSteps.askPerson(state)
                    : RoutineSteps.askPerson(state);
        return new Step(state, action(state));
    }

    private static RunAction action(RunState state) {
        RunTask task = state.task();
        PackModule module = task.module();
        PackModule.Session session = module.session();
        return switch (state.phase()) {
            case POWER ->
                new RunAction.AwaitPower(state.recovering() ? window(task).recovering() : window(task));
            case PROMPT ->
                new RunAction.AwaitConditions(
                        List.of(VehicleCondition.KEY_ON, VehicleCondition.ENGINE_OFF),
                        "Turn the key on, leave the engine off.");
            case CONDITIONS, START, RESULT -> RoutineSteps.action(state);
            case LOOK, LOOK_AGAIN ->
                task instanceof RunTask.LearnVin ? LearnVinSteps.action(state) : SecretSteps.action(state);
            case ATTEMPTS, CODE, WRONG_CODE, WINDOW -> SecretSteps.action(state);
            case FORGET -> LearnVinSteps.action(state);
            case SESSION ->
                send(
                        state,
                        "Open the session",
                        Requests.diagnosticSessionControl(sessionOf(task)),
                        Operation.READ_IDENTIFICATION,
                        false);
            case SEED ->
                send(state, "Ask for a seed", Requests.requestSeed(session.securityLevel()), Operation.SECURITY, false);
            case BEGIN, ASK_PERSON, KEY, TRANSFER ->
                throw new IllegalStateException(state.phase() + " has no action of its own");
            case ASK_STATE ->
                send(
                        state,
                        "Ask how far the transfer got",
                        read(module.did(PackModule.Ident.TRANSFER_STATE)),
                        Operation.READ_IDENTIFICATION,
                        false);
            case ERASE -> send(state, "Erase", ProgramRequests.erase(program(task)), Operation.PROGRAM, true);
            case REQUEST_DOWNLOAD ->
                send(
                        state,
                        "Ask for a download",
                        ProgramRequests.download(program(task), state.from()),
                        Operation.PROGRAM,
                        true);
            case EXIT -> send(state, "End the transfer", Requests.requestTransferExit(), Operation.PROGRAM, true);
            case CHECK ->
                send(
                        state,
                        "Let the module check itself",
                        ProgramRequests.check(program(task)),
                        Operation.PROGRAM,
                        true);
            case RESTART -> send(state, "Restart the module", Requests.ecuReset(1), Operation.ROUTINE, true);
            case WAKE ->
                send(state, "Wait until it answers", Requests.testerPresent(), Operation.READ_IDENTIFICATION, false);
            case CONFIRM ->
                send(
                        state,
                        "Read its software number",
                        read(module.did(PackModule.Ident.SOFTWARE)),
                        Operation.READ_IDENTIFICATION,
                        false);
            case READ ->
                send(
                        state,
                        "Read what is there",
                        read(write(task).dataIdentifier()),
                        Operation.READ_IDENTIFICATION,
                        false);
            case WRITE -> send(state, task.title(), writeRequest(write(task)), Operation.CODE, true);
            case READ_BACK ->
                send(state, "Read it back", read(write(task).dataIdentifier()), Operation.READ_IDENTIFICATION, false);
            case CLEAR ->
                send(
                        state,
                        task.title(),
                        Requests.clearDiagnosticInformation(Requests.ALL_GROUPS),
                        Operation.CLEAR,
                        true);
            case REREAD ->
                send(
                        state,
                        "Read the faults again",
                        Requests.reportDtcByStatusMask(0xFF),
                        Operation.READ_FAULTS,
                        false);
        };
    }

    static RunAction.Send send(RunState state, String purpose, Bytes request, Operation operation, boolean writes) {
        return new RunAction.Send(purpose, state.task().module().id(), request, operation, writes);
    }

    private static Step positive(RunState state, Bytes message) {
        return switch (state.phase()) {
            case SESSION -> enter(state.at(afterSession(state.task())));
            case SEED -> key(state, message);
            case KEY -> afterUnlock(state);
            case ASK_STATE -> TransferSteps.resume(state, message);
            case ERASE -> enter(state.download(program(state.task()).start()));
            case REQUEST_DOWNLOAD -> TransferSteps.startTransfer(state, message);
            case TRANSFER -> TransferSteps.confirmedBlock(state, message);
            case EXIT -> enter(state.at(Phase.CHECK));
            case CHECK -> TransferSteps.checked(state, message);
            case RESTART ->
                new Step(state, new RunAction.Pause("The module restarts", java.time.Duration.ofMillis(500)));
            case WAKE -> awake(state);
            case CONFIRM -> TransferSteps.confirmSoftware(state, message);
            case READ -> alreadyThere(state, message);
            case WRITE -> enter(state.at(Phase.READ_BACK));
            case READ_BACK -> compare(state, message);
            case CLEAR -> enter(state.at(Phase.REREAD));
            case REREAD -> enter(state.nextTask());
            case START -> enter(state.at(Phase.RESULT));
            case RESULT -> RoutineSteps.result(state, message);
            case LOOK, LOOK_AGAIN ->
                state.task() instanceof RunTask.LearnVin
                        ? LearnVinSteps.looked(state, message)
                        : SecretSteps.positive(state, message);
            case ATTEMPTS, CODE, WRONG_CODE, WINDOW -> SecretSteps.positive(state, message);
            case FORGET -> enter(state.at(Phase.RESTART));
            case BEGIN, ASK_PERSON, POWER, PROMPT, CONDITIONS ->
                throw new IllegalStateException("no answer is expected in " + state.phase());
        };
    }

    /** What can't be undone is not begun without looking whether it is done. */
    private static boolean looksFirst(RunTask task) {
        return task instanceof RunTask.Secret || task instanceof RunTask.LearnVin;
    }

    private static Step awake(RunState state) {
        return switch (state.task()) {
            case RunTask.Program program -> enter(state.at(Phase.CONFIRM));
            case RunTask.LearnVin learn -> enter(state.at(Phase.LOOK_AGAIN));
            default -> enter(state.nextTask());
        };
    }

    private static Phase afterSession(RunTask task) {
        return switch (task) {
            case RunTask.Routine routine -> Phase.START;
            case RunTask.Secret secret -> Phase.CODE;
            case RunTask.Program program -> Phase.SEED;
            case RunTask.Write write -> Phase.SEED;
            case RunTask.LearnVin learn -> Phase.SEED;
            case RunTask.Restart restart -> throw new IllegalStateException("a restart opens no session");
            case RunTask.Clear clear -> throw new IllegalStateException("clearing opens no session");
        };
    }

    private static Step key(RunState state, Bytes message) {
        Bytes seed = message.length() >= 6 ? message.slice(2, 4) : Bytes.EMPTY;
        if (seed.isEmpty() || seed.allAre(0)) return afterUnlock(state); // an all-zero seed: unlocked already
        PackModule.Session session = state.task().module().session();
        Bytes request = Requests.sendKey(session.securityLevel(), SimulatedKey.of(seed, session.securityMask()));
        return new Step(state.at(Phase.KEY), send(state, "Unlock the module", request, Operation.SECURITY, false));
    }

    private static Step afterUnlock(RunState state) {
        if (state.task() instanceof RunTask.Write) return enter(state.at(Phase.READ));
        if (state.task() instanceof RunTask.LearnVin) return enter(state.at(Phase.FORGET));
        return enter(state.at(state.recovering() ? Phase.ASK_STATE : Phase.ERASE));
    }

    private static Step alreadyThere(RunState state, Bytes message) {
        boolean there = message.from(3).equals(write(state.task()).value());
        return there ? enter(state.nextTask()) : enter(state.at(Phase.WRITE));
    }

    private static Step compare(RunState state, Bytes message) {
        Bytes found = message.from(3);
        if (found.equals(write(state.task()).value())) return enter(state.nextTask());
        return safe(
                state,
                "gave back " + found.spaced() + " instead of what was written",
                "Scan again, then run the rest.");
    }

    private static Step refused(RunState state, ResponseCode code) {
        return switch (state.phase()) {
            case READ -> enter(state.at(Phase.WRITE)); // nothing there that could be read
            case REREAD -> enter(state.nextTask());
            case ASK_STATE -> enter(state.at(Phase.ERASE));
            case WAKE -> again(state, "does not wake up");
            case RESULT -> RoutineSteps.noResult(state, code);
            case ATTEMPTS, CODE, WRONG_CODE, WINDOW -> SecretSteps.refused(state, code);
            default -> {
                String what = "refuses: " + code.words();
                yield state.committed() ? lost(state, what, onward(code)) : safe(state, what, code.nextStep());
            }
        };
    }

    /** Between erase and verify nothing is started again: what stands in the way goes, then it is recovered. */
    private static String onward(ResponseCode code) {
        boolean mended = code.known().filter(MENDED_OUTSIDE::contains).isPresent();
        return mended ? code.nextStep() + " Then recover the run." : "Keep the power on and recover the run.";
    }

    private static Step silent(RunState state, Silent silent) {
        return switch (state.phase()) {
            case WRITE -> enter(state.at(Phase.READ_BACK)); // outcome unknown: read, never repeat blindly
            case START -> enter(state.at(Phase.RESULT)); // as above
            case CODE -> enter(SecretSteps.sent(state));
            case WINDOW -> SecretSteps.waiting(state);
            case RESULT -> RoutineSteps.later(state, "does not say how far it is");
            case RESTART ->
                new Step(state, new RunAction.Pause("The module restarts", java.time.Duration.ofMillis(500)));
            case ERASE, CHECK, EXIT, REQUEST_DOWNLOAD, KEY ->
                stop(state, "did not answer", "Keep the power on and recover the run.");
            default -> again(state, "did not answer within " + silent.waited().toMillis() + " ms");
        };
    }

    /** Repeats a request that may be repeated: reads, and a block with the same counter. */
    private static Step again(RunState state, String what) {
        int most = state.phase() == Phase.WAKE ? 20 : MOST_TRIES;
        if (state.tries() + 1 >= most)
            return stop(
                    state, what, "Check cable and power, then " + (state.committed() ? "recover the run." : "go on."));
        RunState retry = state.again();
        if (retry.phase() == Phase.TRANSFER) return new Step(retry, TransferSteps.block(retry));
        return enter(retry);
    }

    private static Step stop(RunState state, String what, String nextStep) {
        return state.committed() ? lost(state, what, nextStep) : safe(state, what, nextStep);
    }

    static Step lost(RunState state, String what, String nextStep) {
        return new Step(state, new RunAction.Stopped(true, sentence(state, what), nextStep));
    }

    static Step safe(RunState state, String what, String nextStep) {
        return new Step(state, new RunAction.Stopped(false, sentence(state, what), nextStep));
    }

    private static String sentence(RunState state, String what) {
        return state.task().module().title() + " " + what + ".";
    }

    private static Bytes read(int dataIdentifier) {
        return Requests.readDataByIdentifier(dataIdentifier);
    }

    private static Bytes writeRequest(RunTask.Write task) {
        return Requests.writeDataByIdentifier(task.dataIdentifier(), task.value());
    }

    private static int sessionOf(RunTask task) {
        PackModule.Session session = task.module().session();
        return task instanceof RunTask.Program ? session.programming() : session.extended();
    }

    private static codrane.core.power.PowerWindow window(RunTask task) {
        return switch (task) {
            case RunTask.Program program -> program.window();
            case RunTask.Write write -> write.window();
            case RunTask.Routine routine -> routine.window();
            case RunTask.Secret secret -> secret.window();
            case RunTask.LearnVin learn -> learn.window();
            case RunTask.Restart restart -> throw new IllegalStateException("a restart has no power gate");
            case RunTask.Clear clear -> throw new IllegalStateException("clearing has no power gate");
        };
    }

    static RunTask.Program program(RunTask task) {
        return (RunTask.Program) task;
    }

    private static RunTask.Write write(RunTask task) {
        return (RunTask.Write) task;
    }
}
