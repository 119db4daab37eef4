package codrane.app.job;

import codrane.app.vehicle.BenchInterface;
import codrane.app.vehicle.Interfaces;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.pack.PackModule.Ident;
import codrane.core.scan.ModuleReading;
import codrane.link.LinkLostException;
import codrane.link.scan.VehicleScanner;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Whether the vehicle on the cable is still the one that was scanned: a cable is soon plugged into the next. */
@Component
class StrangerCheck {
    private final Interfaces interfaces;

    StrangerCheck(Interfaces interfaces) {
        this.interfaces = interfaces;
    }

    /** A module that this job does not replace is asked for its serial number again. */
    Optional<Acted> refuse(JobFacts facts) {
        Optional<BenchInterface> bench = interfaces.of(facts.pack());
        Optional<ModuleReading> witness = witness(facts);
        if (bench.isEmpty() || witness.isEmpty()) return Optional.empty();
        PackModule module = facts.pack().module(witness.get().module());
        Bytes then = witness.get().octets(Ident.SERIAL).orElseThrow();
        try {
            Optional<Bytes> now = bench.get()
                    .use(
                            facts.pack(),
                            link -> new VehicleScanner(link, facts.pack()).data(module, module.did(Ident.SERIAL)));
            if (now.equals(Optional.of(then))) return Optional.empty();
            String sentence = now.isEmpty()
                    ? module.title() + " does not answer any more. Check key and cable, then try again."
                    : "Another vehicle is on the cable than the one that was scanned: the " + module.lowerTitle()
                            + " has another serial number. Nothing was sent. Plug into the right one.";
            return Optional.of(new Acted.Refused(sentence, Optional.empty()));
        } catch (LinkLostException | BenchInterface.BusyException e) {
            return Optional.of(new Acted.Refused(e.getMessage(), Optional.empty()));
        }
    }

    private static Optional<ModuleReading> witness(JobFacts facts) {
        return facts.before()
                .flatMap(scan -> facts.pack().modules().keySet().stream()
                        .filter(id -> !facts.job().replacedModule().equals(Optional.of(id)))
                        .map(id -> scan.readings().get(id))
                        .filter(r -> r != null && r.octets(Ident.SERIAL).isPresent())
                        .findFirst());
    }
}
