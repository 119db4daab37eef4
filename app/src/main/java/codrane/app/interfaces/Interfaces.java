package codrane.app.interfaces;

import codrane.app.packs.PackShelf;
import codrane.app.workshop.CodraneSettings;
import codrane.core.pack.Pack;
import java.time.Duration;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.context.SmartLifecycle;
import org.springframework.scheduling.concurrent.ThreadPoolTaskScheduler;
import org.springframework.stereotype.Component;

/** The interfaces of this node, each sampled five times a second. */
@Component
public class Interfaces implements SmartLifecycle {
    private static final Duration SAMPLE = Duration.ofMillis(200);
    private static final Duration KEY = Duration.ofSeconds(1);

    private final List<BenchInterface> interfaces;
    private final PackShelf packs;
    private @Nullable ThreadPoolTaskScheduler sampler;

    Interfaces(CodraneSettings settings, PackShelf packs, InstantSource time) {
        this.packs = packs;
        interfaces = settings.interfaces().stream()
                .map(s -> new BenchInterface(s, new ControlPortClient(s.control(), time)))
                .toList();
    }

    public List<BenchInterface> all() {
        return interfaces;
    }

    /** The interface that speaks the pack's link, or empty when this node has none. */
    public Optional<BenchInterface> of(Pack pack) {
        return interfaces.stream().filter(i -> i.fits(pack)).findFirst();
    }

    public Optional<BenchInterface> named(String name) {
        return interfaces.stream().filter(i -> i.name().equals(name)).findFirst();
    }

    @Override
    public void start() {
        sampler = new ThreadPoolTaskScheduler(); // goes on after a task that failed, and logs it
        sampler.setPoolSize(Math.max(1, 2 * interfaces.size()));
        sampler.setThreadNamePrefix("sampler-");
        sampler.setDaemon(true);
        sampler.initialize();
        for (BenchInterface i : interfaces) {
            sampler.scheduleWithFixedDelay(i::sample, SAMPLE);
            sampler.scheduleWithFixedDelay(() -> i.pollKey(packs), KEY);
        }
    }

    @Override
    public void stop() {
        if (sampler != null) sampler.shutdown();
        sampler = null;
    }

    @Override
    public boolean isRunning() {
        return sampler != null;
    }
}
