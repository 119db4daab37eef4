package codrane.core.run;

import java.util.List;

/** Where a run goes on that has ended before its end. What was erased is never erased again without asking the module. */
public final class Recovery {
    private Recovery() {}

    /**
     * What was written down of a run that has ended.
     *
     * @param index of the task it was in, from 0; behind the last one it goes on with the last
     * @param interrupted it ended where the vehicle needs recovery, or nobody knows where; false: it stopped where it is safe
     * @param wrote something that changes the module was sent for that task, or about to be
     */
    public record Ended(int index, boolean interrupted, boolean wrote) {}

    /** @param tasks of the run, at least one */
    public static RunState after(List<RunTask> tasks, Ended ended) {
        int index = Math.min(ended.index(), tasks.size() - 1);
        boolean begun = switch (tasks.get(index)) {
            case RunTask.Program program -> ended.interrupted() || ended.wrote();
            case RunTask.Routine routine -> ended.interrupted() && ended.wrote(); // else its result is another time's
            case RunTask.Write write -> ended.interrupted();
            case RunTask.Secret secret -> ended.interrupted();
            case RunTask.LearnVin learn -> ended.interrupted();
            case RunTask.TurnKey turn -> ended.interrupted();
            case RunTask.Restart restart -> ended.interrupted();
            case RunTask.Clear clear -> ended.interrupted();
        };
        return begun ? RunState.recover(tasks, index) : RunState.goOn(tasks, index);
    }
}
