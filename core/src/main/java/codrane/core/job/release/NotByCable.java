package codrane.core.job.release;

import codrane.core.job.Cable;
import codrane.core.job.JobState;
import codrane.core.job.act.Stop;
import codrane.core.job.act.StopRule;
import codrane.core.tool.ToolLook;
import java.util.Optional;

/** What goes by cable only is not written over a wireless interface. */
final class NotByCable implements StopRule {
    @Override
    public Optional<Stop> judge(JobState state) {
        return reason(state).flatMap(why -> Stop.because("Not started. " + why));
    }

    static Optional<String> reason(JobState state) {
        boolean wireless = state.access().tool().map(ToolLook::wireless).orElse(false);
        return wireless && Cable.needed(state)
                ? Optional.of("This is written by cable: unpair the interface, plug it in, ask once more at Bench.")
                : Optional.empty();
    }
}
