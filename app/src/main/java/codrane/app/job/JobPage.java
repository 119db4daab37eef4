package codrane.app.job;

import codrane.app.live.JobTasks;
import codrane.core.job.Job;
import codrane.core.job.JobAccess;
import codrane.core.plan.HoldPoint;
import codrane.core.plan.JobProgress;
import codrane.core.plan.Stage;
import codrane.core.power.PowerWindow;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The frame around each page of a job: rail, next act, vitals.
 *
 * @param vitals as JSON, like the events that follow
 * @param measured whether an interface of this computer tells the vitals
 * @param whose roles that do the main act, when the one signed in does not; else empty
 */
public record JobPage(
        Job job,
        String subtitle,
        String title,
        Stage shown,
        List<RailItem> rail,
        NextAct next,
        String whose,
        Optional<JobTasks.Progress> task,
        String vitals,
        PowerWindow window,
        boolean running,
        boolean measured,
        String interfaceName,
        GatewayVital gateway) {
    /**
     * The gateway in the strip of vitals.
     *
     * @param out whether it ends soon
     * @param untilMillis end of the authorisation since 1970; 0 when there is none
     */
    public record GatewayVital(String title, String detail, boolean out, long untilMillis) {
        private static final int SOON_SECONDS = 300;

        static GatewayVital of(JobAccess access) {
            if (!access.there()) return new GatewayVital("No gateway", "nothing to unlock", false, 0);
            if (!access.open())
                return new GatewayVital(
                        access.expired() ? "Gateway: ended" : "Gateway locked", "reads pass, writes don’t", false, 0);
            int seconds = (int) access.left().toSeconds();
            String left = seconds < 120 ? seconds + " s left" : seconds / 60 + " min left";
            long until = access.now().plus(access.left()).toEpochMilli();
            return new GatewayVital("Gateway open", left, seconds < SOON_SECONDS, until);
        }
    }

    /** One stage on the rail. */
    public record RailItem(Stage stage, String state, boolean shown, List<Notch> notches) {}

    /** A hold point on the rail: open, kept or waived. */
    public record Notch(String state, String title) {}

    static List<RailItem> rail(JobProgress progress, Stage shown) {
        List<RailItem> rail = new ArrayList<>();
        for (Stage stage : Stage.values()) {
            List<Notch> notches =
                    progress.of(stage).stream().map(p -> notch(progress, p)).toList();
            rail.add(new RailItem(
                    stage, progress.state(stage).name().toLowerCase(Locale.ROOT), stage == shown, notches));
        }
        return rail;
    }

    private static Notch notch(JobProgress progress, HoldPoint point) {
        String state = progress.hold(point).name().toLowerCase(Locale.ROOT);
        return new Notch(state, point.title() + ": " + state);
    }
}
