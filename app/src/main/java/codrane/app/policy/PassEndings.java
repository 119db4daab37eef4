package codrane.app.policy;

import codrane.app.packs.PackShelf;
import codrane.app.workshop.Endings;
import codrane.core.pack.Pack;
import codrane.core.ready.Ending;
import java.time.ZoneId;
import java.util.List;
import org.springframework.stereotype.Component;

/** Passes to makers' services. */
@Component
class PassEndings implements Endings.Source {
    private final PassRepository passes;
    private final PackShelf packs;
    private final ZoneId zone;

    PassEndings(PassRepository passes, PackShelf packs, ZoneId zone) {
        this.packs = packs;
        this.passes = passes;
        this.zone = zone;
    }

    @Override
    public List<Ending> get() {
        return passes.findAll().stream()
                .map(p -> new Ending(
                        "The pass of " + maker(p.service),
                        p.until.minusSeconds(1).atZone(zone).toLocalDate(),
                        "/access"))
                .toList();
    }

    private String maker(String service) {
        return packs.all().stream()
                .filter(pack -> pack.service().equals(service))
                .map(Pack::maker)
                .findFirst()
                .orElse(service);
    }
}
