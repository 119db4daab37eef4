package codrane.app.job;

import codrane.app.live.JobTasks;
import codrane.core.job.act.NextAct.Tone;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobProgress;
import codrane.core.plan.JobProgress.Hold;
import codrane.core.plan.Stage;
import codrane.core.vin.Vin;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The frame around each page of a job: rail, next act, what is under way, vitals.
 *
 * @param pointed what somebody else points at
 */
public record JobFrame(
        Head head, List<RailItem> rail, Next next, Task task, Strip strip, Optional<Pointers.Pointed> pointed) {
    /** @param subtitle what the job is about */
    public record Head(long number, String subtitle, String title, Vin vin, Stage shown) {}

    /** One stage on the rail. */
    public record RailItem(Stage stage, String state, boolean shown, List<Notch> notches) {
        private static final String KEYS = "1234567890-";

        /** On the keyboard. */
        public String key() {
            return KEYS.substring(stage.number() - 1, stage.number());
        }
    }

    /** A hold point on the rail: open, kept or waived. */
    public record Notch(String state, String title) {}

    /**
     * The next act.
     *
     * @param css of its tone
     * @param whose roles that do the main act, when the one signed in does not; else empty
     */
    public record Next(String title, String why, String stop, String css, List<Button> buttons, String whose) {
        static String css(Tone tone) {
            return tone.name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * @param href where it leads, or posts to
     * @param strong needs Ctrl+Enter from the keyboard
     * @param reason a reason is asked for in place
     */
    public record Button(String label, String href, boolean post, Look look, boolean strong, boolean reason) {}

    /** How a button looks: the first choice, another one, or the first choice where it writes. */
    public enum Look {
        MAIN("btn-primary"),
        OTHER("btn-outline-primary"),
        WRITES("btn-write");

        private final String css;

        Look(String css) {
            this.css = css;
        }

        public String css() {
            return css;
        }

        /** Whether it is the first choice. */
        public boolean main() {
            return this != OTHER;
        }
    }

    /**
     * Work in the background.
     *
     * @param title empty when there was none
     * @param failure of the last one, as a sentence; empty when it did not fail
     */
    public record Task(boolean busy, String title, String label, long done, long total, String failure) {
        static final Task NONE = new Task(false, "", "", 0, 0, "");

        static Task of(Optional<JobTasks.Progress> task) {
            return task.map(t -> new Task(
                            !t.ended(),
                            t.title(),
                            t.label(),
                            t.done(),
                            t.total(),
                            t.error().map(e -> t.title() + " failed. " + e).orElse("")))
                    .orElse(NONE);
        }
    }

    static List<RailItem> rail(JobProgress progress, Stage shown) {
        return Arrays.stream(Stage.values())
                .map(stage -> new RailItem(
                        stage,
                        progress.state(stage).name().toLowerCase(Locale.ROOT),
                        stage == shown,
                        progress.of(stage).stream().map(p -> notch(progress, p)).toList()))
                .toList();
    }

    private static Notch notch(JobProgress progress, HoldPoint point) {
        Hold hold = progress.hold(point);
        String state = hold.name().toLowerCase(Locale.ROOT);
        return new Notch(state, point.title() + ": " + state);
    }
}
