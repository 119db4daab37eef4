package codrane.app.vehicle;

import codrane.app.records.ChangeLine;
import codrane.core.baseline.BaselineSummary;
import codrane.core.job.Job;
import codrane.core.vin.Vin;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

/** The page of a vehicle: its life. */
record VehicleView(
        String model,
        Vin vin,
        List<JobLine> jobs,
        List<BaselineLine> baselines,
        List<ModuleLine> modules,
        List<ChangeLine> changes,
        May may) {
    /**
     * What this one may do here.
     *
     * @param take take in a baseline from a file
     * @param begin take in a job
     */
    record May(boolean take, boolean begin) {}

    /** A job, newest first. */
    record JobLine(long number, String title, String when, String complaint) {}

    /** @param before id of the one before; 0 when there is none */
    record BaselineLine(long id, String title, long before) {}

    /** A module, once for each time it was another. */
    record ModuleLine(String title, String serial, String software, String counter, String seen, boolean changed) {}

    /** What is known of the vehicle, newest first. */
    record Known(
            Job.Vehicle vehicle,
            List<Job> jobs,
            List<BaselineSummary> baselines,
            List<ModuleLife> modules,
            List<ChangeLine> changes) {}

    /** @param when an instant in the workshop's words */
    static VehicleView of(Known known, Function<Instant, String> when, May may) {
        return new VehicleView(
                known.vehicle().model(),
                known.vehicle().vin(),
                known.jobs().stream().map(j -> line(j, when)).toList(),
                lines(known.baselines(), when),
                known.modules().stream().map(m -> line(m, when)).toList(),
                inJobs(known),
                may);
    }

    private static JobLine line(Job job, Function<Instant, String> when) {
        String ended = job.closedAt()
                .map(at -> (job.cancelled().isPresent() ? ", cancelled " : ", closed ") + when.apply(at))
                .orElse(", open");
        return new JobLine(
                job.number(),
                "Job " + job.number() + ", " + job.kind().title(),
                when.apply(job.life().createdAt()) + ended,
                job.complaint());
    }

    private static List<BaselineLine> lines(List<BaselineSummary> newestFirst, Function<Instant, String> when) {
        List<BaselineLine> lines = new ArrayList<>();
        for (int i = 0; i < newestFirst.size(); i++) {
            BaselineSummary summary = newestFirst.get(i);
            long before = i + 1 < newestFirst.size() ? newestFirst.get(i + 1).id() : 0;
            String title =
                    when.apply(summary.takenAt()) + ", " + summary.purpose().words();
            lines.add(new BaselineLine(summary.id(), title, before));
        }
        return lines;
    }

    private static ModuleLine line(ModuleLife life, Function<Instant, String> when) {
        String since = life.changed() ? ", changed since the one before" : "";
        return new ModuleLine(
                life.title(),
                life.serial(),
                life.software(),
                life.counter(),
                when.apply(life.seen()) + (life.written() ? ", written by Codrane and read back" : since),
                life.changed());
    }

    /** Each change with the number of its job. */
    private static List<ChangeLine> inJobs(Known known) {
        Map<Long, Long> numbers = known.jobs().stream().collect(Collectors.toMap(Job::id, Job::number));
        return known.changes().stream()
                .map(c -> c.by(numbers.containsKey(c.jobId()) ? c.by() + ", job " + numbers.get(c.jobId()) : c.by()))
                .toList();
    }
}
