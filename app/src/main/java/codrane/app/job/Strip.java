package codrane.app.job;

import codrane.core.job.JobAccess;
import codrane.core.power.PowerWindow;

/**
 * The strip of vitals.
 *
 * @param vitals as JSON, like the events that follow
 * @param measured whether an interface of this computer tells them
 * @param place of the run that is under way: its task, and whether it can't be stopped; empty when none is
 */
public record Strip(
        String vitals, boolean measured, String interfaceName, PowerWindow window, Gateway gateway, String place) {
    /** Whether a run is under way. */
    public boolean running() {
        return !place.isEmpty();
    }

    /**
     * The gateway.
     *
     * @param out whether it ends soon
     * @param untilMillis end of the authorisation since 1970; 0 when there is none
     */
    public record Gateway(String title, String detail, boolean out, long untilMillis) {
        private static final int SOON_SECONDS = 300;

        static Gateway of(JobAccess access) {
            if (!access.there()) return new Gateway("No gateway", "nothing to unlock", false, 0);
            if (!access.open())
                return new Gateway(
                        access.expired() ? "Gateway: ended" : "Gateway locked", "reads pass, writes don’t", false, 0);
            int seconds = (int) access.left().toSeconds();
            String left = seconds < 120 ? seconds + " s left" : seconds / 60 + " min left";
            long until = access.now().plus(access.left()).toEpochMilli();
            return new Gateway("Gateway open", left, seconds < SOON_SECONDS, until);
        }
    }
}
