package codrane.link.time;

final class TimedTask implements Scheduler.Timer, Comparable<TimedTask> {
    private final long at;
    private final long sequence;
    private final Runnable task;
    private volatile boolean cancelled;

    TimedTask(long at, long sequence, Runnable task) {
        this.at = at;
        this.sequence = sequence;
        this.task = task;
    }

    long at() {
        return at;
    }

    void run() {
        if (!cancelled) task.run();
    }

    @Override
    public void cancel() {
        cancelled = true;
    }

    @Override
    public int compareTo(TimedTask other) {
        return at == other.at ? Long.compare(sequence, other.sequence) : Long.compare(at - other.at, 0);
    }
}
