package codrane.app.job;

import codrane.app.live.JobTasks.TaskFailedException;
import codrane.app.live.Witness;
import codrane.app.vehicle.BenchInterface;
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
    Optional<Acted> refuse(JobFacts facts, String who) {
        if (facts.before().isEmpty()) return Optional.empty();
        Set<String> replaced = facts.job().replacedModule().map(Set::of).orElse(Set.of());
        try {
            Optional<String> stranger = readings.read(
                    facts,
                    who,
                    link -> Witness.stranger(
                            link, facts.pack(), facts.before().get().readings(), replaced));
            stranger.ifPresent(s -> readings.mark(facts, who, "", s));
            return stranger.map(s -> refused(s + " Nothing was written now. Plug into the right one."));
        } catch (Readings.StrangerException e) {
            return Optional.of(refused("Not started. " + e.getMessage() + " Nothing was written now."));
        } catch (LinkLostException | BenchInterface.BusyException | TaskFailedException e) {
            return Optional.of(refused(e.getMessage()));
        }
    }

    private static Acted refused(String sentence) {
        return new Acted.Refused(sentence, Optional.empty());
    }
}
