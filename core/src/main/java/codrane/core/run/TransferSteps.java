package codrane.core.run;

import codrane.core.octets.Bytes;
import codrane.core.run.RunState.Phase;

/** The steps of a download once the module is unlocked: where it goes on, its blocks, and what the module says of it. */
final class TransferSteps {
    private TransferSteps() {}

    static RunAction block(RunState state) {
        RunTask.Program program = RunMachine.program(state.task());
        long address = state.from() + (long) (state.block() - 1) * state.payload();
        int length = (int) Math.min(state.payload(), program.start() + program.length() - address);
        return new RunAction.SendBlock(program.module().id(), state.block(), state.block() & 0xFF, address, length);
    }

    /** What the module reports decides, not the journal: octet 0 is its state, then the next free address. */
    static Step resume(RunState state, Bytes message) {
        RunTask.Program program = RunMachine.program(state.task());
        TransferState reported = TransferState.of(message.from(3), program);
        return switch (reported) {
            case TransferState.Verified() -> RunMachine.enter(state.at(Phase.CHECK)); // perhaps of the old content
            case TransferState.Partial(long next) -> RunMachine.enter(state.download(next));
            case TransferState.FromErase() -> RunMachine.enter(state.at(Phase.ERASE));
        };
    }

    static Step startTransfer(RunState state, Bytes message) {
        int most = ProgramRequests.longestBlock(message);
        int blockBytes = Math.min(
                most,
                RunMachine.program(state.task()).module().flash().orElseThrow().blockBytes());
        if (blockBytes < 3)
            return RunMachine.lost(
                    state, "offers blocks of " + most + " octets, which can't hold data", "Recover the run.");
        RunState transfer = state.transfer(blockBytes - 2);
        return new Step(transfer, block(transfer));
    }

    static Step confirmedBlock(RunState state, Bytes message) {
        boolean echoed = message.length() >= 2 && message.u8(1) == (state.block() & 0xFF);
        if (!echoed) return RunMachine.lost(state, "confirmed another block than was sent", "Recover the run.");
        RunState next = state.nextBlock();
        return next.block() > next.blocks() ? RunMachine.enter(next.at(Phase.EXIT)) : new Step(next, block(next));
    }

    static Step checked(RunState state, Bytes message) {
        boolean good = message.length() >= 5 && message.u8(4) == 0;
        if (good) return RunMachine.enter(state.at(Phase.RESTART));
        if (state.payload() == 0) return RunMachine.enter(state.at(Phase.ERASE)); // nothing was sent since recovering
        return RunMachine.lost(
                state,
                "says that the content is not what it should be",
                "Recover the run: it is erased and written again.");
    }

    static Step confirmSoftware(RunState state, Bytes message) {
        String software = message.from(3).text().strip();
        String expected = RunMachine.program(state.task()).softwareAfter();
        if (software.equals(expected)) return RunMachine.enter(state.nextTask());
        return RunMachine.lost(state, "reports software " + software + " instead of " + expected, "Recover the run.");
    }
}
