package codrane.app.live;

import codrane.core.run.RunState;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.LinkedHashMap;
import java.util.Map;

/** Tells browsers how far a run is, at most four times a second. */
final class RunProgress {
    private static final Duration EVERY = Duration.ofMillis(250);

    private final LiveHub hub;
    private final InstantSource time;
    private final long jobNumber;
    private Instant told = Instant.EPOCH;
    private Instant transferBegan = Instant.EPOCH;
    private long transferFrom;

    RunProgress(LiveHub hub, InstantSource time, long jobNumber) {
        this.hub = hub;
        this.time = time;
        this.jobNumber = jobNumber;
    }

    /** @param always also when something was told just before */
    void tell(RunState state, String step, boolean always) {
        Instant now = time.instant();
        if (!always && Duration.between(told, now).compareTo(EVERY) < 0) return;
        told = now;
        Map<String, Object> event = new LinkedHashMap<>();
        event.put("type", "run");
        event.put("ended", false);
        event.put("index", state.index());
        event.put("title", state.task().title());
        event.put("step", step);
        event.put("part", part(state.phase()));
        event.put("committed", state.committed());
        event.put("block", state.blockSent());
        event.put("blocks", state.blocks());
        event.put("bytes", state.confirmedBytes());
        transfer(state, now, event);
        event.put("hold", "");
        hub.publish("job-" + jobNumber, event);
    }

    /** Which box of the picture the run is in. */
    private static String part(RunState.Phase phase) {
        return switch (phase) {
            case ERASE -> "erase";
            case REQUEST_DOWNLOAD, TRANSFER -> "transfer";
            case EXIT, CHECK -> "verify";
            case RESTART, WAKE, CONFIRM -> "restart";
            default -> "before";
        };
    }

    private void transfer(RunState state, Instant now, Map<String, Object> event) {
        double rate = 0;
        double left = 0;
        if (state.payload() > 0 && state.block() > 0) {
            if (state.block() == 1) {
                transferBegan = now;
                transferFrom = state.confirmedBytes();
            }
            double seconds = Duration.between(transferBegan, now).toMillis() / 1000.0;
            long sent = state.confirmedBytes() - transferFrom;
            rate = seconds > 0.2 ? sent / seconds : 0;
            long total = (long) state.blocks() * state.payload() - (state.block() - 1L) * state.payload();
            left = rate > 0 ? Math.max(0, total) / rate : 0;
        }
        event.put("rate", Math.round(rate));
        event.put("secondsLeft", Math.round(left));
    }

    /** The run waits; the sentence says for what. */
    void hold(String sentence) {
        hub.publish("job-" + jobNumber, Map.of("type", "hold", "hold", sentence));
    }

    void ended() {
        hub.publish("job-" + jobNumber, Map.of("type", "run", "ended", true));
    }
}
