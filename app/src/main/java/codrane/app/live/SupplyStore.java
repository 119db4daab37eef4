package codrane.app.live;

import codrane.app.interfaces.BenchInterface;
import codrane.core.power.PowerWindow;
import codrane.core.power.SupplyRecord;
import codrane.core.run.RunTask;
import java.time.InstantSource;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** The supply over each run: kept every few seconds, so that what led to a loss is there after it. */
@Component
public class SupplyStore {
    private static final Logger LOG = LoggerFactory.getLogger(SupplyStore.class);

    private final SupplyRepository supplies;
    private final InstantSource time;
    private final Map<Long, Kept> kept = new ConcurrentHashMap<>();

    SupplyStore(SupplyRepository supplies, InstantSource time) {
        this.supplies = supplies;
        this.time = time;
    }

    /** A record that is being written. */
    private static final class Kept {
        private final BenchInterface bench;
        private final SupplyEntity row = new SupplyEntity();
        private SupplyRecord supply;

        Kept(BenchInterface bench, long runId, SupplyRecord supply) {
            this.bench = bench;
            this.supply = supply;
            row.runId = runId;
        }
    }

    /** The strictest of what the run's tasks need is what it is held against. */
    void begin(long runId, RunOrder order) {
        PowerWindow window = order.tasks().stream()
                .filter(RunTask.Gated.class::isInstance)
                .map(task -> ((RunTask.Gated) task).window())
                .max(Comparator.comparingDouble(PowerWindow::hold))
                .orElseGet(() -> PowerWindow.coding(PowerWindow.upperLimit("")));
        kept.put(runId, new Kept(order.bench(), runId, SupplyRecord.begin(time.instant(), window)));
    }

    void end(long runId) {
        Kept ended = kept.remove(runId);
        if (ended != null) keep(ended);
    }

    @Scheduled(fixedDelay = 5, initialDelay = 5, timeUnit = TimeUnit.SECONDS)
    void keep() {
        kept.values().forEach(this::keep);
    }

    /** A record that can't be kept now is kept the next time, and is no reason to disturb a run. */
    private void keep(Kept run) {
        synchronized (run) {
            run.supply = run.supply.until(time.instant(), run.bench.samples());
            if (run.supply.millivolts().isEmpty()) return;
            run.row.take(run.supply);
            try {
                run.row.id = supplies.save(run.row).id;
            } catch (RuntimeException e) {
                LOG.warn("the supply of run {} could not be kept: {}", run.row.runId, e.getMessage());
            }
        }
    }

    /** One for each time that the run was started or recovered, oldest first. */
    public List<SupplyRecord> of(long runId) {
        return supplies.findByRunIdOrderByBegunAt(runId).stream()
                .map(SupplyEntity::told)
                .toList();
    }
}
