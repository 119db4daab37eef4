package codrane.app.stage.run;

import codrane.app.notes.Note;
import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.core.text.Words;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * How the plan went on the twin.
 *
 * @param summary empty when it was not rehearsed
 * @param may whether who looks may have it rehearsed now
 */
public record RehearsalView(
        boolean may, boolean well, String summary, List<String> notes, List<String> changes, List<Task> tasks) {
    public record Task(String title, String time) {}

    static RehearsalView of(JobState state, Optional<Note.Read<RehearsalStored>> rehearsed, boolean may) {
        if (rehearsed.isEmpty()) return new RehearsalView(may, false, "", List.of(), List.of(), List.of());
        RehearsalStored on = rehearsed.get().content();
        String when = Words.clock(rehearsed.get().at(), state.now().zone());
        String summary = on.well()
                ? "On a twin of this vehicle it came to its end in " + Words.lasting(Math.round(on.seconds())) + " ("
                        + when + ")."
                : "On a twin of this vehicle it did not come to its end (" + when + "). " + on.sentence() + " "
                        + on.nextStep();
        return new RehearsalView(
                may,
                on.well(),
                summary,
                notes(state, on),
                on.changes(),
                on.tasks().stream()
                        .map(t -> new Task(t.title(), Words.lasting(Math.round(t.seconds()))))
                        .toList());
    }

    private static List<String> notes(JobState state, RehearsalStored on) {
        List<String> notes = new ArrayList<>();
        if (!on.prompts().isEmpty())
            notes.add("Somebody is asked "
                    + (on.prompts().size() == 1 ? "once" : on.prompts().size() + " times") + ": "
                    + String.join(" ", on.prompts()));
        if (!on.left().isEmpty())
            notes.add("Not rehearsed, the twin has no secret of this vehicle: " + String.join("; ", on.left()) + ".");
        state.run()
                .filter(run -> run.planId() == on.planId() && run.state() == JobRun.State.FINISHED)
                .flatMap(run -> run.span().endedAt().map(end -> Duration.between(run.startedAt(), end)))
                .ifPresent(real -> notes.add("The real one took " + Words.lasting(real.toSeconds())
                        + " from its release to its end, people included."));
        notes.add(
                "Only the time on the wire counts here: what people do comes on top. A twin has the coding and software of"
                        + " the last scan; it has no wear, no wiring and no tired battery.");
        return notes;
    }
}
