package codrane.core.run;

import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule.Ident;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.Requests;
import codrane.core.uds.ResponseCode;
import codrane.core.uds.ResponseCode.Known;
import java.time.Duration;
import java.util.EnumSet;
import java.util.Set;

/**
 * A download: erase, blocks, check, restart. Recovering, the module is asked how far it got, and what it says decides where
 * it goes on.
 */
final class ProgramMachine extends UnlockedMachine {
    /** Refusals whose cause a person takes away. */
    private static final Set<Known> MENDED_OUTSIDE = EnumSet.of(
            Known.VOLTAGE_TOO_LOW, Known.TEMPERATURE_TOO_HIGH, Known.ENGINE_IS_RUNNING, Known.ENGINE_IS_NOT_RUNNING);
    /** Block counter, its service and at least one octet of data. */
    private static final int SHORTEST_BLOCK = 3;

    private final RunTask.Program task;

    ProgramMachine(RunState state, RunTask.Program task) {
        super(state, task);
        this.task = task;
    }

    @Override
    int session() {
        return task.module().session().programming();
    }

    @Override
    Step unlocked() {
        return go(state.recovering() ? Phase.ASK_STATE : Phase.ERASE);
    }

    @Override
    RunAction action() {
        return switch (state.phase()) {
            case ASK_STATE ->
                reads("Ask how far the transfer got", task.module().did(Ident.TRANSFER_STATE));
            case ERASE -> writes("Erase", ProgramRequests.erase(task), Operation.PROGRAM);
            case REQUEST_DOWNLOAD ->
                writes("Ask for a download", ProgramRequests.download(task, state.from()), Operation.PROGRAM);
            case TRANSFER -> block();
            case EXIT -> writes("End the transfer", Requests.requestTransferExit(), Operation.PROGRAM);
            case CHECK -> writes("Let the module check itself", ProgramRequests.check(task), Operation.PROGRAM);
            case CONFIRM -> reads("Read its software number", task.module().did(Ident.SOFTWARE));
            default -> super.action();
        };
    }

    private RunAction block() {
        long address = state.from() + (long) (state.block() - 1) * state.payload();
        int length = (int) Math.min(state.payload(), task.start() + task.length() - address);
        return new RunAction.SendBlock(task.module().id(), state.block(), state.block() & 0xFF, address, length);
    }

    @Override
    Step positive(Bytes message) {
        return switch (state.phase()) {
            case ASK_STATE -> resume(TransferState.of(message.from(3), task));
            case ERASE -> enter(state.download(task.start()));
            case REQUEST_DOWNLOAD -> granted(ProgramRequests.longestBlock(message));
            case TRANSFER -> confirmed(message);
            case EXIT -> go(Phase.CHECK);
            case CHECK -> checked(message);
            case CONFIRM -> confirmed(message.from(3).text().strip());
            default -> super.positive(message);
        };
    }

    private Step resume(TransferState reported) {
        return switch (reported) {
            case TransferState.Verified() -> go(Phase.CHECK); // perhaps of the old content
            case TransferState.Partial(long next) -> enter(state.download(next));
            case TransferState.FromErase() -> go(Phase.ERASE);
        };
    }

    private Step granted(int most) {
        int octets = Math.min(most, task.module().flash().orElseThrow().blockBytes());
        return octets < SHORTEST_BLOCK
                ? lost("offers blocks of " + most + " octets, which can't hold data", "Recover the run.")
                : enter(state.transfer(octets - 2));
    }

    private Step confirmed(Bytes message) {
        boolean echoed = message.length() >= 2 && message.u8(1) == (state.block() & 0xFF);
        if (!echoed) return lost("confirmed another block than was sent", "Recover the run.");
        RunState next = state.nextBlock();
        return enter(next.block() > next.blocks() ? next.at(Phase.EXIT) : next);
    }

    private Step checked(Bytes message) {
        boolean good = message.length() >= 5 && message.u8(4) == 0;
        if (good) return go(Phase.RESTART);
        if (state.payload() == 0) return go(Phase.ERASE); // nothing was sent since recovering
        return lost(
                "says that the content is not what it should be", "Recover the run: it is erased and written again.");
    }

    @Override
    Step awake() {
        return go(Phase.CONFIRM);
    }

    private Step confirmed(String software) {
        return software.equals(task.softwareAfter())
                ? done()
                : lost("reports software " + software + " instead of " + task.softwareAfter(), "Recover the run.");
    }

    @Override
    Step refused(ResponseCode code) {
        if (state.phase() == Phase.ASK_STATE) return go(Phase.ERASE);
        return state.committed() ? lost("refuses: " + code.words(), onward(code)) : super.refused(code);
    }

    /** Between erase and verify nothing is started again: what stands in the way goes, then it is recovered. */
    private static String onward(ResponseCode code) {
        boolean mended = code.known().filter(MENDED_OUTSIDE::contains).isPresent();
        return mended ? code.nextStep() + " Then recover the run." : "Keep the power on and recover the run.";
    }

    @Override
    Step silent(Duration waited) {
        return switch (state.phase()) {
            case ERASE, CHECK, EXIT, REQUEST_DOWNLOAD ->
                stop("did not answer", "Keep the power on and recover the run.");
            default -> super.silent(waited);
        };
    }
}
