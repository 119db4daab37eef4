package codrane.app.stage.run;

import codrane.app.job.Viewer;
import codrane.app.live.RunStore.JournalRow;
import codrane.app.notes.Note;
import codrane.core.job.CarryCard;
import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.core.job.RunTasks;
import codrane.core.job.WhatIf;
import codrane.core.job.hold.HoldRules;
import codrane.core.job.release.Release;
import codrane.core.plan.Operation;
import codrane.core.plan.Stage;
import codrane.core.text.Words;
import java.util.List;
import java.util.Optional;

/**
 * The page of Run.
 *
 * @param transfers whether data of a file is on its way, or will be
 * @param releases writes to be released one by one; none while nothing can be released
 * @param whatIf what a disturbance would mean now; empty when no run is before or under way
 * @param score empty while there is no plan
 * @param ended how the last run ended; empty while none has
 * @param carries whether something of the plan is for another tool
 * @param rehearsal on a twin, before
 */
public record RunView(
        long number,
        boolean running,
        boolean transfers,
        List<Write> releases,
        List<WhatIf.Answer> whatIf,
        Optional<RunScore> score,
        String ended,
        boolean traced,
        boolean carries,
        RehearsalView rehearsal,
        List<Row> journal) {
    private static final int LONGEST_REQUEST = 28;
    private static final int LONGEST_ANSWER = 36;

    /** A write that is to be released. */
    public record Write(String key, String title, String why, List<String> cautions) {}

    /** A step of the journal. */
    public record Row(
            int number, String time, String module, String step, boolean writes, String request, String answer) {}

    static RunView of(
            JobState state,
            List<JournalRow> journal,
            boolean traced,
            Optional<Note.Read<RehearsalStored>> rehearsed,
            Optional<RunScore> score,
            Viewer viewer) {
        long number = state.job().number();
        boolean running = state.run().map(JobRun::running).orElse(false);
        boolean ready = HoldRules.progress(state).currentUnauthorised() == Stage.RUN
                && Release.RUN
                        .stop(state)
                        .map(stop -> stop.remedy().isPresent())
                        .orElse(true)
                && RunTasks.unable(state).isEmpty()
                && viewer.may(number, Release.RUN.name());
        return new RunView(
                number,
                running,
                running && state.planHas(Operation.Kind.PROGRAM),
                ready ? RunTasks.leg(state).stream().map(RunView::write).toList() : List.of(),
                WhatIf.now(state),
                score,
                state.run()
                        .filter(r -> !r.holds())
                        .map(r -> r.sentence() + " " + r.nextStep())
                        .orElse(""),
                traced,
                CarryCard.of(state).isPresent(),
                RehearsalView.of(state, rehearsed, mayRehearse(state, viewer)),
                journal.stream().map(j -> row(state, j)).toList());
    }

    private static boolean mayRehearse(JobState state, Viewer viewer) {
        return state.plan().isPresent()
                && Release.REHEARSE.stop(state).isEmpty()
                && HoldRules.progress(state).currentUnauthorised() == Stage.RUN
                && viewer.may(state.job().number(), Release.REHEARSE.name());
    }

    private static Write write(Operation o) {
        return new Write(o.key(), o.title(), o.reasons().getFirst(), o.cautions());
    }

    private static Row row(JobState state, JournalRow j) {
        String answer = switch (j.state()) {
            case OPEN -> "no answer yet";
            case UNKNOWN -> "not known: the run was lost here";
            case POSITIVE, REFUSED, SILENT -> cut(j.answer().orElse(""), LONGEST_ANSWER);
        };
        return new Row(
                j.number(),
                Words.clock(j.at(), state.now().zone()),
                j.module(),
                j.purpose(),
                j.writes(),
                cut(j.request(), LONGEST_REQUEST),
                answer);
    }

    private static String cut(String text, int longest) {
        return text.length() > longest ? text.substring(0, longest - 3) + "..." : text;
    }
}
