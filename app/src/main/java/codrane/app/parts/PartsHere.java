package codrane.app.parts;

import codrane.app.notes.Note;
import codrane.app.notes.Notes;
import codrane.core.job.JobState;
import java.util.List;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Old modules that lie in this workshop. */
@Component
public class PartsHere {
    private final Notes notes;

    PartsHere(Notes notes) {
        this.notes = notes;
    }

    /** Modules like the job's that came out of other vehicles and are here, each in words. */
    @Transactional(readOnly = true)
    public List<String> hereFor(JobState state) {
        if (state.replaced().isEmpty()) return List.of();
        String module = state.replaced().get().id();
        return notes.everywhere(PartStored.KIND, "").values().stream()
                .map(Note.Read::content)
                .filter(part ->
                        part.pack().equals(state.pack().id()) && part.module().equals(module))
                .filter(part -> part.job() != state.job().number())
                .filter(part -> part.last().state().here())
                .map(part -> "one out of " + part.vin() + " (job " + part.job() + "), "
                        + part.last().state().words())
                .toList();
    }
}
