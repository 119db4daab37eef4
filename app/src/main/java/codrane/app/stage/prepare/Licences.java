package codrane.app.stage.prepare;

import codrane.app.job.Acted;
import codrane.app.job.JobStore;
import codrane.app.notes.Note;
import codrane.app.notes.Notes;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.part.SerialMask;
import codrane.core.ready.Need;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Licence codes of variants: exact to the character, and each for one vehicle only. */
@Component
class Licences {
    private final Notes notes;
    private final JobStore jobs;

    Licences(Notes notes, JobStore jobs) {
        this.notes = notes;
        this.jobs = jobs;
    }

    /** What is wrong with a code that is said to be here; empty when nothing is, or the pack knows no form of it. */
    Optional<Acted> wrong(JobState state, Need need, String typed) {
        Optional<SerialMask> mask = state.pack().modules().containsKey(need.what())
                ? state.pack().module(need.what()).traits().licence()
                : Optional.empty();
        if (mask.isEmpty()) return Optional.empty();
        SerialMask.Verdict verdict = mask.get().judge(typed);
        if (!verdict.valid())
            return Optional.of(Acted.refused("That is no licence code of this kind. " + verdict.reason()
                    + (verdict.suggestions().isEmpty()
                            ? ""
                            : " Was it " + String.join(" or ", verdict.suggestions()) + "?")));
        return elsewhere(state, need.key(), typed.strip())
                .map(
                        job -> Acted.refused(
                                "This licence was noted for " + job.vin().text() + " in job " + job.number()
                                        + ": it works for the first vehicle only. Was it never used there, take it back there first."));
    }

    private Optional<Job> elsewhere(JobState state, String key, String code) {
        for (Map.Entry<Long, Note.Read<NeedStored>> note :
                notes.everywhere(NeedStored.KIND, key).entrySet()) {
            boolean same = note.getValue().content().here()
                    && note.getValue().content().detail().equals(code);
            if (!same) continue;
            Optional<Job> other = jobs.byId(note.getKey())
                    .filter(j -> !j.vin().equals(state.job().vin()));
            if (other.isPresent()) return other;
        }
        return Optional.empty();
    }
}
