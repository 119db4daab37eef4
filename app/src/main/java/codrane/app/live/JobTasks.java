package codrane.app.live;

import codrane.app.interfaces.BenchInterface.BusyException;
import codrane.core.text.Words;
import codrane.link.LinkLostException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Work for a job that takes longer than a request: scanning, downloading. One at a time for each job. */
@Component
public class JobTasks {
    private static final Logger LOG = LoggerFactory.getLogger(JobTasks.class);

    private final LiveHub hub;
    private final Map<Long, Progress> tasks = new ConcurrentHashMap<>();

    JobTasks(LiveHub hub) {
        this.hub = hub;
    }

    /**
     * How far a task is.
     *
     * @param total 0 when unknown
     * @param error sentence when it failed
     */
    public record Progress(String title, String label, long done, long total, boolean ended, Optional<String> error) {}

    /** Told by the task as it goes on. */
    public interface Teller {
        void tell(String label, long done, long total);
    }

    /** Begins unless something is under way for this job. */
    public void begin(long jobNumber, String title, Consumer<Teller> work) {
        Progress fresh = new Progress(title, "", 0, 0, false, Optional.empty());
        Progress now = tasks.compute(jobNumber, (n, was) -> was == null || was.ended() ? fresh : was);
        if (!now.equals(fresh)) return;
        Thread.ofVirtual().name("job-task-" + jobNumber).start(() -> run(jobNumber, title, work));
    }

    private void run(long jobNumber, String title, Consumer<Teller> work) {
        Optional<String> error = Optional.empty();
        try {
            work.accept((label, done, total) ->
                    update(jobNumber, new Progress(title, label, done, total, false, Optional.empty())));
        } catch (LinkLostException | BusyException | TaskFailedException e) {
            error = Optional.of(Words.said(e));
        } catch (RuntimeException e) {
            LOG.error("{} of job {} failed", title, jobNumber, e);
            error = Optional.of(
                    "Something went wrong that Codrane did not expect. Nothing was written; look at the log.");
        }
        update(jobNumber, new Progress(title, "", 1, 1, true, error));
    }

    /** A task could not do its work; the message is for people. */
    public static class TaskFailedException extends RuntimeException {
        public TaskFailedException(String message) {
            super(message);
        }
    }

    private void update(long jobNumber, Progress progress) {
        tasks.put(jobNumber, progress);
        Map<String, Object> event = new LinkedHashMap<>();
        event.put("type", "task");
        event.put("title", progress.title());
        event.put("label", progress.label());
        event.put("done", progress.done());
        event.put("total", progress.total());
        event.put("ended", progress.ended());
        hub.publish("job-" + jobNumber, event);
    }

    /** Title of what is under way. */
    public Optional<String> busy(long jobNumber) {
        return of(jobNumber).filter(p -> !p.ended()).map(Progress::title);
    }

    /** What is under way, or how the last one ended. */
    public Optional<Progress> of(long jobNumber) {
        return Optional.ofNullable(tasks.get(jobNumber));
    }

    /** Forgets how the last one ended, once it was shown. */
    public void seen(long jobNumber) {
        tasks.computeIfPresent(jobNumber, (n, progress) -> progress.ended() ? null : progress);
    }
}
