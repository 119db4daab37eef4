package codrane.app.stage.decide;

import codrane.app.job.JobDesk;
import codrane.app.job.JobStore;
import codrane.app.notes.Note;
import codrane.app.notes.Notes;
import codrane.core.job.Job;
import codrane.core.job.JobState;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.InstructionNote;
import codrane.core.plan.Said.Proved;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Instructions from elsewhere that this workshop followed, and what came of each. */
@Component
class Instructions {
    private static final int MOST_JOBS = 40;

    private final Notes notes;
    private final JobDesk desk;
    private final JobStore jobs;

    Instructions(Notes notes, JobDesk desk, JobStore jobs) {
        this.notes = notes;
        this.desk = desk;
        this.jobs = jobs;
    }

    /**
     * One that was followed before.
     *
     * @param worked jobs in which it did what it should, as a person said after trying
     * @param failed jobs in which it did not
     */
    record Known(InstructionsStored.One one, List<Long> worked, List<Long> failed) {}

    /** Those of other jobs on vehicles of this model: what worked most often first. */
    @Transactional(readOnly = true)
    public List<Known> of(JobState state) {
        Map<String, Known> known = new LinkedHashMap<>();
        notes.everywhere(InstructionsStored.KIND, "").values().stream()
                .map(Note.Read::content)
                .filter(stored -> stored.pack().equals(state.pack().id()))
                .filter(stored -> stored.job() != state.job().number())
                .sorted(Comparator.comparingLong(InstructionsStored::job).reversed())
                .limit(MOST_JOBS)
                .forEach(stored -> add(known, stored));
        return known.values().stream()
                .sorted(Comparator.comparingInt((Known k) -> -k.worked().size()))
                .toList();
    }

    private void add(Map<String, Known> known, InstructionsStored stored) {
        Optional<Boolean> worked = jobs.find(stored.job()).flatMap(this::worked);
        for (InstructionsStored.One one : stored.taken()) {
            Known entry = known.computeIfAbsent(
                    one.line() + one.source(), k -> new Known(one, new ArrayList<>(), new ArrayList<>()));
            worked.ifPresent(yes -> (yes ? entry.worked() : entry.failed()).add(stored.job()));
        }
    }

    /** What a person said after trying; empty when nobody tried. */
    private Optional<Boolean> worked(Job job) {
        JobState state = desk.state(job.number());
        if (state.ran().last().isEmpty()) return Optional.empty();
        Optional<Boolean> tried = state.personHold(HoldPoint.FUNCTION_TESTED).map(hold -> !hold.waived());
        return tried.filter(yes -> yes)
                .or(() -> Optional.of(state.decided().notes().since().proved())
                        .filter(proved -> proved == Proved.DOES_NOT_WORK)
                        .map(no -> false));
    }

    void take(JobState state, InstructionNote note, String who) {
        InstructionsStored before = notes.of(state.job().id(), InstructionsStored.KIND).stream()
                .map(Note.Read::content)
                .findFirst()
                .orElseGet(() ->
                        new InstructionsStored(state.pack().id(), state.job().number(), List.of()));
        notes.put(state.job().id(), InstructionsStored.KIND, before.with(note), who);
    }
}
