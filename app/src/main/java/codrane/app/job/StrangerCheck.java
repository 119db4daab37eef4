package codrane.app.job;

import codrane.app.live.Witness;
import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.Interfaces;
import codrane.link.LinkLostException;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Whether the vehicle on the cable is still the one that was scanned: a cable is soon plugged into the next. */
@Component
class StrangerCheck {
    private final Interfaces interfaces;

    StrangerCheck(Interfaces interfaces) {
        this.interfaces = interfaces;
    }

    /** With the key off nobody answers: then the run looks again when it has asked for the key. */
    Optional<Acted> refuse(JobFacts facts) {
        Optional<BenchInterface> bench = interfaces.of(facts.pack());
        if (bench.isEmpty() || facts.before().isEmpty()) return Optional.empty();
        Set<String> replaced = facts.job().replacedModule().map(Set::of).orElse(Set.of());
        try {
            Optional<String> stranger = bench.get()
                    .use(
                            facts.pack(),
                            link -> Witness.stranger(
                                    link, facts.pack(), facts.before().get().readings(), replaced));
            return stranger.map(
                    s -> new Acted.Refused(s + " Nothing was sent. Plug into the right one.", Optional.empty()));
        } catch (LinkLostException | BenchInterface.BusyException e) {
            return Optional.of(new Acted.Refused(e.getMessage(), Optional.empty()));
        }
    }
}
