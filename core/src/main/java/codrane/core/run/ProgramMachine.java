package codrane.core.run;

import codrane.core.gateway.OperationMatrix.Operation;
import codrane.core.octets.Bytes;
import codrane.core.octets.WireWriter;
import codrane.core.pack.PackModule.Before;
import codrane.core.pack.PackModule.Ident;
import codrane.core.pack.VehicleCondition;
import codrane.core.run.RunState.Phase;
import codrane.core.uds.MemoryRange;
import codrane.core.uds.ResponseCode;
import codrane.core.uds.ResponseCode.Known;
import codrane.core.uds.UdsRequest;
import codrane.core.uds.UdsRequest.RequestDownload;
import codrane.core.uds.UdsRequest.RequestTransferExit;
import codrane.core.uds.UdsRequest.RoutineControl;
import codrane.core.uds.UdsResponse;
import java.time.Duration;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

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
    /** Neither compressed nor encrypted. */
    private static final int PLAIN = 0;

    /** Its steps as the journal calls them, by which their times are found again. */
    static final String ERASE = "Erase";

    static final String DOWNLOAD = "Ask for a download";
    static final String END = "End the transfer";
    static final String CHECK = "Let the module check itself";

    private final RunTask.Program task;
    private final Before before;

    ProgramMachine(RunState state, RunTask.Program task) {
        super(state, task);
        this.task = task;
        before = task.module().flash().orElseThrow().before();
    }

    @Override
    List<VehicleCondition> conditions() {
        return Stream.concat(super.conditions().stream(), before.needs().stream())
                .distinct()
                .toList();
    }

    @Override
    String prompt() {
        return super.prompt() + (before.how().isEmpty() ? "" : " " + before.how() + ".");
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
            case ERASE -> writes(ERASE, erase(), Operation.PROGRAM);
            case REQUEST_DOWNLOAD -> writes(DOWNLOAD, download(), Operation.PROGRAM);
            case TRANSFER -> block();
            case EXIT -> writes(END, new RequestTransferExit(), Operation.PROGRAM);
            case CHECK -> writes(CHECK, check(), Operation.PROGRAM);
            case CONFIRM -> reads("Read its software number", task.module().did(Ident.SOFTWARE));
            default -> super.action();
        };
    }

    private RunAction block() {
        long address = state.from() + (long) (state.block() - 1) * state.payload();
        int length = (int) Math.min(state.payload(), task.start() + task.length() - address);
        return new RunAction.SendBlock(task.module().id(), state.block(), state.block() & 0xFF, address, length);
    }

    private UdsRequest erase() {
        Bytes range = new WireWriter().u32(task.start()).u32(task.length()).written();
        return RoutineControl.start(RoutineControl.ERASE_MEMORY, range);
    }

    private UdsRequest download() {
        long left = task.start() + task.length() - state.from();
        return new RequestDownload(PLAIN, MemoryRange.of(state.from(), left));
    }

    private UdsRequest check() {
        Bytes expected = new WireWriter().u32(task.crc32()).written();
        return RoutineControl.start(RoutineControl.CHECK_PROGRAMMING_DEPENDENCIES, expected);
    }

    /** 0 when the module says none that can be read. */
    private static long longestBlock(UdsResponse response) {
        return response instanceof UdsResponse.RequestDownload(long longest) ? longest : 0;
    }

    @Override
    Step positive(UdsResponse response) {
        return switch (state.phase()) {
            case ASK_STATE -> resume(TransferState.of(data(response), task));
            case ERASE -> enter(state.download(task.start()));
            case REQUEST_DOWNLOAD -> granted(longestBlock(response));
            case TRANSFER -> confirmed(response);
            case EXIT -> go(Phase.CHECK);
            case CHECK -> checked(status(response));
            case CONFIRM -> confirmed(data(response).text().strip());
            default -> super.positive(response);
        };
    }

    private Step resume(TransferState reported) {
        return switch (reported) {
            case TransferState.Verified() -> go(Phase.CHECK); // perhaps of the old content
            case TransferState.Partial(long next) -> enter(state.download(next));
            case TransferState.FromErase() -> go(Phase.ERASE);
        };
    }

    private Step granted(long most) {
        int octets = (int) Math.min(most, task.module().flash().orElseThrow().blockBytes());
        return octets < SHORTEST_BLOCK
                ? lost("offers blocks of " + most + " octets, which can't hold data", "Recover the run.")
                : enter(state.transfer(octets - 2));
    }

    private Step confirmed(UdsResponse response) {
        boolean echoed = response instanceof UdsResponse.TransferData(int counter, Bytes none)
                && counter == (state.block() & 0xFF);
        if (!echoed) return lost("confirmed another block than was sent", "Recover the run.");
        RunState next = state.nextBlock();
        return enter(next.block() > next.blocks() ? next.at(Phase.EXIT) : next);
    }

    private Step checked(Bytes status) {
        boolean good = !status.isEmpty() && status.u8(0) == 0;
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
