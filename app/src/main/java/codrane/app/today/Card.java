package codrane.app.today;

import codrane.app.job.JobTitle;
import codrane.core.job.Job;
import codrane.core.job.JobRun;
import codrane.core.job.JobState;
import codrane.core.job.OpenFor;
import codrane.core.job.act.NextAct;
import codrane.core.job.hold.HoldRules;
import codrane.core.job.stage.NextActs;
import codrane.core.plan.Stage;
import codrane.core.ready.Readiness;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/**
 * A job on the board.
 *
 * @param percent of the run, 0..100; -1 when there is none under way
 */
public record Card(long number, String title, String vehicle, String line, Column column, int percent) {
    /** Where a card stands: what keeps the job from going on. */
    public enum Column {
        RUN("Under way"),
        PERSON("Waits for a person"),
        START("Can start now"),
        WAIT("Waits for something");

        private final String title;

        Column(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }

        public String css() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    static Card of(JobState state, String who) {
        Job job = state.job();
        Stage current = HoldRules.progress(state).current();
        NextAct next = NextActs.of(state, state.runHolds() ? Stage.RUN : current, who);
        String title =
                job.kind().replaces() ? JobTitle.subject(state) : job.kind().title();
        return new Card(
                job.number(),
                title,
                job.vehicle().brief(),
                current.title() + ": " + next.title(),
                column(state, next),
                state.run().filter(JobRun::holds).map(Card::percent).orElse(-1));
    }

    private static Column column(JobState state, NextAct next) {
        if (state.runHolds()) return Column.RUN;
        // nothing keeps anybody from beginning it
        if (HoldRules.progress(state).current() == Stage.INTAKE) return Column.START;
        return switch (next.tone()) {
            case PERSON -> Column.PERSON;
            case WAITS -> Column.WAIT;
            case DO, WRITE, DIFFERS, SETTLED -> Column.START;
        };
    }

    private static int percent(JobRun run) {
        if (run.blocks() > 0) return 100 * run.block() / run.blocks();
        return 100 * run.taskIndex() / Math.max(1, run.taskCount());
    }

    /** The next moment from which the card may read differently: midnight at the latest. */
    static Instant until(JobState state) {
        Instant now = state.now().at();
        List<Instant> moments = new ArrayList<>();
        moments.add(
                state.now().today().plusDays(1).atStartOfDay(state.now().zone()).toInstant());
        state.readiness()
                .map(Readiness::needs)
                .orElse(List.of())
                .forEach(n -> n.due().ifPresent(moments::add));
        state.prepared().passUntil().ifPresent(moments::add);
        Instant ends = now.plus(state.access().left());
        moments.add(ends);
        moments.add(ends.minusSeconds(OpenFor.seconds(state))); // from then on it is too short for the writes
        return moments.stream()
                .filter(now::isBefore)
                .min(Comparator.naturalOrder())
                .orElseThrow();
    }
}
