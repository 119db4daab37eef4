package codrane.app.stage.run;

import codrane.app.interfaces.BenchInterface;
import codrane.app.job.Acted;
import codrane.app.job.Readings;
import codrane.app.live.JobTasks.TaskFailedException;
import codrane.app.live.Witness;
import codrane.core.job.JobState;
import codrane.core.text.Words;
import codrane.link.LinkLostException;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Whether the vehicle on the cable is still the one that was scanned: a cable is soon plugged into the next. */
@Component
class StrangerCheck {
    private final Readings readings;

    StrangerCheck(Readings readings) {
        this.readings = readings;
    }

    /** With the key off nobody answers: then the run looks again when it has asked for the key. */
    Optional<Acted> refuse(JobState state, String who) {
        if (state.before().isEmpty()) return Optional.empty();
        Set<String> replaced = state.job().replacedModule().map(Set::of).orElse(Set.of());
        try {
            Optional<String> stranger = readings.read(
                    state,
                    who,
                    link -> Witness.stranger(
                            link, state.pack(), state.before().get().readings(), replaced));
            stranger.ifPresent(s -> readings.mark(state, who, "", s));
            return stranger.map(s -> Acted.refused(s + " Nothing was written now. Plug into the right one."));
        } catch (Readings.StrangerException e) {
            return Optional.of(Acted.refused("Not started. " + e.getMessage() + " Nothing was written now."));
        } catch (LinkLostException | BenchInterface.BusyException | TaskFailedException e) {
            return Optional.of(Acted.refused(Words.said(e)));
        }
    }
}
