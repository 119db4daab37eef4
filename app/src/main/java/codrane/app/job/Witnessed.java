package codrane.app.job;

import codrane.core.job.JobRun;
import codrane.core.job.Stranger;
import java.util.Optional;

/**
 * What bears on whether a job's readings can be relied on, and whether anything was written.
 *
 * @param stranger another vehicle that answered last; empty when the right one did
 * @param foreignScans scans that came from another vehicle, and count for nothing
 * @param baselineFits whether the baseline shows the same parts as the newest scan
 * @param lastRun the newest run of the job, of whichever plan
 */
public record Witnessed(Optional<Stranger> stranger, int foreignScans, boolean baselineFits, Optional<JobRun> lastRun) {
    static Witnessed of(Optional<JobRun> lastRun) {
        return new Witnessed(Optional.empty(), 0, true, lastRun);
    }
}
