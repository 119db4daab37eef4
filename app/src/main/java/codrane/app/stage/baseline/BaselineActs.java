package codrane.app.stage.baseline;

import codrane.app.baseline.DeepReadings;
import codrane.app.job.Acted;
import codrane.app.job.Acts;
import codrane.core.baseline.BaselineSummary.Purpose;
import codrane.core.job.JobState;
import codrane.core.job.stage.BaselineStage;
import codrane.core.pack.PackModule;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Stores baselines: before the work, and of how the vehicle is left. */
@Component
public class BaselineActs {
    private final Acts acts;
    private final DeepReadings readings;

    BaselineActs(Acts acts, DeepReadings readings) {
        this.acts = acts;
        this.readings = readings;
    }

    /**
     * Reads everything, in the background, and stores it.
     *
     * @param module the one to be read; empty for the whole vehicle
     */
    public Acted store(long number, String module, String who) {
        return acts.beginAlone(number, who, BaselineStage.STORE, state -> unknown(state, module))
                .then(state -> {
                    readings.begin(
                            state,
                            new DeepReadings.Work("Reading the baseline", "stored a baseline", wanted(state, module)),
                            who,
                            (now, reading) -> {
                                Purpose purpose = now.written() ? Purpose.AS_LEFT : Purpose.BEFORE;
                                readings.keep(now, reading, purpose, module, who);
                                return Acted.done();
                            });
                    return Acted.done();
                });
    }

    private static Optional<Acted> unknown(JobState state, String module) {
        boolean known = module.isEmpty() || state.pack().modules().containsKey(module);
        return known ? Optional.empty() : Optional.of(Acted.refused("This vehicle has no such module."));
    }

    private static Collection<PackModule> wanted(JobState state, String module) {
        return module.isEmpty()
                ? state.pack().modules().values()
                : List.of(state.pack().module(module));
    }
}
