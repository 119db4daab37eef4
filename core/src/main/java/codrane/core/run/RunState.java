package codrane.core.run;

import java.util.List;

/**
 * Where a run is. Everything needed to go on after a crash is here or in the module itself.
 *
 * @param index of the current task, 0..tasks
 * @param recovering the current task was begun before and lost
 * @param block the block being sent, from 1; 0 when none
 * @param from address of block 1 of the current download
 * @param payload data octets of a full block; 0 before the download was granted
 * @param tries how often the current request was repeated
 */
public record RunState(
        List<RunTask> tasks, int index, Phase phase, boolean recovering, int block, long from, int payload, int tries) {
    /** Steps within a task. */
    public enum Phase {
        BEGIN,
        /** A person is to release the task. */
        ASK_PERSON,
        POWER,
        PROMPT,
        CONDITIONS,
        SESSION,
        SEED,
        KEY,
        ASK_STATE,
        ERASE,
        REQUEST_DOWNLOAD,
        TRANSFER,
        EXIT,
        CHECK,
        KEY_TURN,
        RESTART,
        WAKE,
        CONFIRM,
        READ,
        WRITE,
        READ_BACK,
        CLEAR,
        REREAD,
        START,
        RESULT,
        /** Whether it is done already. */
        LOOK,
        ATTEMPTS,
        CODE,
        WRONG_CODE,
        WINDOW,
        LOOK_AGAIN,
        FORGET
    }

    public RunState {
        tasks = List.copyOf(tasks);
    }

    public static RunState begin(List<RunTask> tasks) {
        return new RunState(tasks, 0, Phase.BEGIN, false, 0, 0, 0, 0);
    }

    /** After a crash or a lost link: the task is begun again and asks the module what is left. */
    public static RunState recover(List<RunTask> tasks, int index) {
        return new RunState(tasks, index, Phase.BEGIN, true, 0, 0, 0, 0);
    }

    /** After a stop where nothing was half written. */
    public static RunState goOn(List<RunTask> tasks, int index) {
        return new RunState(tasks, index, Phase.BEGIN, false, 0, 0, 0, 0);
    }

    public boolean finished() {
        return index >= tasks.size();
    }

    public RunTask task() {
        return tasks.get(index);
    }

    /** From erase to verify: a run can be paused, not stopped. */
    public boolean committed() {
        return !finished()
                && task() instanceof RunTask.Program
                && switch (phase) {
                    case ERASE, REQUEST_DOWNLOAD, TRANSFER, EXIT, CHECK -> true;
                    case ASK_STATE, SESSION, SEED, KEY, POWER, PROMPT, BEGIN -> recovering;
                    default -> false;
                };
    }

    /** Blocks of the current download; 0 before it was granted. */
    public int blocks() {
        if (payload == 0 || !(task() instanceof RunTask.Program program)) return 0;
        long left = program.start() + program.length() - from;
        return (int) ((left + payload - 1) / payload);
    }

    /** The last block that was sent, 1..{@link #blocks()}; 0 when none. */
    public int blockSent() {
        return Math.min(block, blocks());
    }

    /** Data octets confirmed by the module, those before the resume address included. */
    public long confirmedBytes() {
        if (payload == 0 || !(task() instanceof RunTask.Program program)) return 0;
        long sent = from - program.start() + (long) Math.max(0, block - 1) * payload;
        return Math.min(program.length(), sent);
    }

    RunState at(Phase next) {
        return new RunState(tasks, index, next, recovering, block, from, payload, 0);
    }

    RunState again() {
        return new RunState(tasks, index, phase, recovering, block, from, payload, tries + 1);
    }

    RunState download(long address) {
        return new RunState(tasks, index, Phase.REQUEST_DOWNLOAD, recovering, 0, address, 0, 0);
    }

    RunState transfer(int payloadBytes) {
        return new RunState(tasks, index, Phase.TRANSFER, recovering, 1, from, payloadBytes, 0);
    }

    RunState nextBlock() {
        return new RunState(tasks, index, phase, recovering, block + 1, from, payload, 0);
    }

    /** What moves something is not begun because something else has ended. */
    RunState nextTask() {
        int next = index + 1;
        boolean asks = next < tasks.size() && tasks.get(next).byHand();
        return new RunState(tasks, next, asks ? Phase.ASK_PERSON : Phase.BEGIN, false, 0, 0, 0, 0);
    }

    /** The task from its beginning, as if it had not been begun before. */
    RunState anew() {
        return new RunState(tasks, index, Phase.BEGIN, false, 0, 0, 0, 0);
    }
}
