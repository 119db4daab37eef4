package codrane.app.stage.decide;

import codrane.app.job.Acted;
import codrane.app.notes.Notes;
import codrane.core.baseline.PutBack;
import codrane.core.job.JobState;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;

/** Settings that a person chose to write: kept, and the plan made anew. */
@Component
class ChosenSettings {
    private final Notes notes;
    private final PlanAgain again;

    ChosenSettings(Notes notes, PlanAgain again) {
        this.notes = notes;
        this.again = again;
    }

    /** In place of what was chosen for the same setting. */
    Acted add(JobState state, PutBack chosen, String who) {
        List<PutBack> all = without(state, chosen.key());
        all.add(chosen);
        keep(state, all, who);
        return again.plan(state, who);
    }

    /** Takes one out; an instruction whose block stays as it is was not followed. */
    Acted out(JobState state, String key, String who) {
        keep(state, without(state, key), who);
        long job = state.job().id();
        for (PutBack out : state.putBack())
            if (out.whole() && out.key().equals(key))
                notes.of(job, InstructionsStored.KIND)
                        .forEach(taken -> notes.put(
                                job,
                                InstructionsStored.KIND,
                                taken.content()
                                        .without(state.pack(state.before().orElseThrow()), out.layout()),
                                who));
        return again.plan(state, who);
    }

    void keep(JobState state, List<PutBack> settings, String who) {
        keep(state, 0, settings, who);
    }

    /** @param baseline from which they were lost; 0 for settings that are changed by name */
    void keep(JobState state, long baseline, List<PutBack> settings, String who) {
        notes.put(state.job().id(), ChosenStored.KIND, ChosenStored.of(baseline, settings), who);
    }

    private static List<PutBack> without(JobState state, String key) {
        List<PutBack> all = new ArrayList<>(state.putBack());
        all.removeIf(p -> p.key().equals(key));
        return all;
    }
}
