package codrane.core.run;

import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.ResponseCode;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsRequest.EcuReset;
import codrane.core.uds.UdsRequest.ReadDataByIdentifier;
import codrane.core.uds.UdsRequest.TesterPresent;
import codrane.core.uds.UdsResponse;
import java.time.Duration;

/**
 * The steps of one kind of task: what is done in each phase, and what an answer to it means. One class a kind. Pure, and
 * made anew for each step from where the run is. What kinds share is here and in the two classes below: restart, then
 * {@link GatedMachine supply and session}, then {@link UnlockedMachine seed and key}.
 */
abstract sealed class TaskMachine permits ClearMachine, RestartMachine, TurnKeyMachine, GatedMachine {
    private static final Duration RESTARTS_FOR = Duration.ofMillis(500);
    private static final int MOST_TRIES = 3;
    private static final int MOST_WAKES = 20;

    final RunState state;

    TaskMachine(RunState state) {
        this.state = state;
    }

    static TaskMachine of(RunState state) {
        return switch (state.task()) {
            case RunTask.Program program -> new ProgramMachine(state, program);
            case RunTask.Write write -> new WriteMachine(state, write);
            case RunTask.Routine routine -> new RoutineMachine(state, routine);
            case RunTask.Pair pair -> new PairMachine(state, pair);
            case RunTask.LearnKey key -> new LearnKeyMachine(state, key);
            case RunTask.KeysElsewhere keys -> new KeysElsewhereMachine(state, keys);
            case RunTask.LearnVin learn -> new LearnVinMachine(state, learn);
            case RunTask.TurnKey turn -> new TurnKeyMachine(state, turn);
            case RunTask.Restart restart -> new RestartMachine(state);
            case RunTask.Clear clear -> new ClearMachine(state);
        };
    }

    /** The step that belongs to where a run is. */
    static Step enter(RunState state) {
        if (state.finished()) return new Step(state, new RunAction.Finished());
        TaskMachine machine = of(state);
        return switch (state.phase()) {
            case BEGIN -> machine.begin();
            case ASK_PERSON -> machine.askPerson();
            default -> new Step(state, machine.action());
        };
    }

    abstract Step begin();

    /** Of a task that a person releases at the vehicle. */
    Step askPerson() {
        throw new IllegalStateException("\"" + state.task().title() + "\" is released with what is before it");
    }

    RunAction action() {
        return switch (state.phase()) {
            case RESTART -> writes("Restart the module", new EcuReset(1), Operation.ROUTINE);
            case WAKE -> asks("Wait until it answers", new TesterPresent());
            default -> throw new IllegalStateException(state.phase() + " has no action of its own");
        };
    }

    /** After a wait for something else than an answer. */
    Step proceed() {
        return state.phase() == Phase.RESTART ? go(Phase.WAKE) : enter(state);
    }

    Step positive(UdsResponse response) {
        return switch (state.phase()) {
            case RESTART -> restarting();
            case WAKE -> awake();
            default -> throw new IllegalStateException("no answer is expected in " + state.phase());
        };
    }

    /** Some vehicles turn their key off and on by themselves then: nobody answers meanwhile. */
    private Step restarting() {
        Duration turnsKey = state.task().module().traits().turnsKey();
        return turnsKey.isZero()
                ? pause("The module restarts", RESTARTS_FOR)
                : pause(
                        "The vehicle turns its key off and on by itself: leave the key alone",
                        turnsKey.plus(RESTARTS_FOR));
    }

    /** The module answers again after its restart. */
    Step awake() {
        return done();
    }

    Step refused(ResponseCode code) {
        return state.phase() == Phase.WAKE
                ? again("does not wake up")
                : safe("refuses: " + code.words(), code.nextStep());
    }

    Step silent(Duration waited) {
        return state.phase() == Phase.RESTART
                ? restarting()
                : again("did not answer within " + waited.toMillis() + " ms");
    }

    /** What was read; nothing when the answer is not laid out as one to a read. */
    static Bytes data(UdsResponse response) {
        return response instanceof UdsResponse.ReadDataByIdentifier(int identifier, Bytes data) ? data : Bytes.EMPTY;
    }

    /** What a routine tells; nothing when the answer is not laid out as one of a routine. */
    static Bytes status(UdsResponse response) {
        return response instanceof UdsResponse.RoutineControl(int type, int routine, Bytes status)
                ? status
                : Bytes.EMPTY;
    }

    final Step go(Phase phase) {
        return enter(state.at(phase));
    }

    final Step done() {
        return enter(state.nextTask());
    }

    final Step pause(String purpose, Duration time) {
        return new Step(state, new RunAction.Pause(purpose, time));
    }

    /** Repeats a request that may be repeated: reads, and a block with the same counter. */
    final Step again(String what) {
        int most = state.phase() == Phase.WAKE ? MOST_WAKES : MOST_TRIES;
        return state.tries() + 1 < most
                ? enter(state.again())
                : stop(what, "Check cable and power, then " + (state.committed() ? "recover the run." : "go on."));
    }

    final Step stop(String what, String nextStep) {
        return new Step(state, new RunAction.Stopped(state.committed(), sentence(what), nextStep));
    }

    final Step lost(String what, String nextStep) {
        return new Step(state, new RunAction.Stopped(true, sentence(what), nextStep));
    }

    final Step safe(String what, String nextStep) {
        return safe(asked(), what, nextStep);
    }

    final Step safe(PackModule who, String what, String nextStep) {
        return new Step(state, new RunAction.Stopped(false, who.title() + " " + what + ".", nextStep));
    }

    private String sentence(String what) {
        return asked().title() + " " + what + ".";
    }

    /** Of whom is said what came back. */
    PackModule asked() {
        return state.task().module();
    }

    /** Whether a request that may be repeated was, as often as it is. */
    final boolean triedEnough() {
        return state.tries() + 1 >= MOST_TRIES;
    }

    /** A request that changes nothing. */
    final RunAction.Send asks(String purpose, UdsRequest request) {
        return send(purpose, request, Operation.READ_IDENTIFICATION, false);
    }

    final RunAction.Send reads(String purpose, int dataIdentifier) {
        return asks(purpose, new ReadDataByIdentifier(dataIdentifier));
    }

    final RunAction.Send writes(String purpose, UdsRequest request, Operation operation) {
        return send(purpose, request, operation, true);
    }

    final RunAction.Send send(String purpose, UdsRequest request, Operation operation, boolean writes) {
        return new RunAction.Send(purpose, state.task().module().id(), request, operation, writes);
    }
}
