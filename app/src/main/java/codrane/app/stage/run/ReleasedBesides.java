package codrane.app.stage.run;

import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.app.live.JobTasks;
import codrane.core.job.JobState;
import codrane.core.plan.Operation;
import codrane.core.text.Words;
import java.util.function.Function;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** A calibration is read and checked before anything is sent: a large one not while the one who released it waits. */
@Component
class ReleasedBesides {
    private final Acts acts;
    private final JobTasks tasks;
    private final long atOnce;

    /** @param atOnce octets that are read while somebody waits */
    ReleasedBesides(Acts acts, JobTasks tasks, @Value("${codrane.release-at-once:32000000}") long atOnce) {
        this.acts = acts;
        this.tasks = tasks;
        this.atOnce = atOnce;
    }

    /** At once, or as work of its own whose refusal is told as its failure. */
    Acted carried(JobState state, String who, String said, Function<JobState, Acted> act) {
        long number = state.job().number();
        long octets = state.planHas(Operation.Kind.PROGRAM)
                ? state.calibration().map(c -> c.manifest().size()).orElse(0L)
                : 0;
        if (octets <= atOnce) return acts.then(number, who, said, act);
        tasks.begin(
                number,
                "Reading and checking " + Words.megabytes(octets) + " before the run",
                teller -> acts.keep(number, who, said, act));
        return Acted.done();
    }
}
