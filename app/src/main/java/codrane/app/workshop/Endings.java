package codrane.app.workshop;

import codrane.core.ready.Ending;
import java.util.Comparator;
import java.util.List;
import java.util.function.Supplier;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** What of the workshop runs out, the soonest first; looked up every half minute, so that no page waits for it. */
@Component
public class Endings {
    private final List<Source> sources;
    private volatile List<Ending> known = List.of();

    Endings(List<Source> sources) {
        this.sources = sources;
    }

    /** Who knows of something that runs out. */
    public interface Source extends Supplier<List<Ending>> {}

    @Scheduled(fixedDelay = 30_000, initialDelay = 5_000)
    public void look() {
        known = sources.stream()
                .flatMap(s -> s.get().stream())
                .sorted(Comparator.comparing(Ending::until))
                .toList();
    }

    public List<Ending> known() {
        return known;
    }
}
