package codrane.app.access;

import codrane.app.workshop.Endings;
import codrane.core.ready.Ending;
import java.time.ZoneId;
import java.util.List;
import org.springframework.stereotype.Component;

/** Plans at the authorities, as these said it last. */
@Component
class PlanEndings implements Endings.Source {
    private final Access access;
    private final ZoneId zone;

    PlanEndings(Access access, ZoneId zone) {
        this.access = access;
        this.zone = zone;
    }

    @Override
    public List<Ending> get() {
        return access.known().values().stream()
                .flatMap(known -> known.account().planUntil().stream()
                        .map(until -> new Ending(
                                "The plan at " + known.account().authority(),
                                until.atZone(zone).toLocalDate(),
                                "/access")))
                .toList();
    }
}
