package codrane.app.demo;

import codrane.app.baseline.Baselines;
import codrane.app.job.Vehicles;
import codrane.app.packs.PackShelf;
import codrane.app.workshop.CodraneSettings;
import codrane.app.workshop.HttpServices;
import codrane.core.baseline.Baseline;
import codrane.core.baseline.BaselineSummary.Origin;
import codrane.core.baseline.BaselineSummary.Purpose;
import codrane.core.job.Job;
import codrane.core.pack.Pack;
import codrane.core.vin.Vin;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.web.client.RestClientException;
import org.springframework.web.service.annotation.GetExchange;

/** The demo's archive: baselines of earlier visits, which the stand-in reads from simulated vehicles. */
@Component
class DemoArchive {
    private static final Logger LOG = LoggerFactory.getLogger(DemoArchive.class);
    private static final Duration PATIENCE = Duration.ofSeconds(60);

    private final Baselines baselines;
    private final Vehicles vehicles;
    private final PackShelf packs;
    private final InstantSource time;
    private final String address;

    DemoArchive(Baselines baselines, Vehicles vehicles, PackShelf packs, CodraneSettings settings, InstantSource time) {
        this.baselines = baselines;
        this.vehicles = vehicles;
        this.packs = packs;
        this.time = time;
        address = settings.serviceUrl();
    }

    /** A visit before the demo began. */
    record Visit(String vin, String pack, String purpose, String baseline, String sha256, Instant takenAt) {}

    /** What the stand-in can be asked. */
    interface Requests {
        @GetExchange("/history")
        List<Visit> history();
    }

    void load() {
        try {
            HttpServices.of(Requests.class, address, PATIENCE).history().forEach(this::keep);
        } catch (RestClientException e) {
            LOG.warn("The demo begins without an archive: the stand-in does not answer");
        }
    }

    private void keep(Visit visit) {
        Vin vin = new Vin(visit.vin());
        Pack pack = packs.get(visit.pack());
        Job.Vehicle vehicle = vehicles.takeIn(vin, pack.id(), pack.modelOf(vin).orElse(pack.title()), time.instant());
        Purpose purpose = visit.purpose().equals("reference") ? Purpose.REFERENCE : Purpose.AS_LEFT;
        baselines.add(
                new Baselines.Place(null, vehicle.id(), Origin.ARCHIVE, purpose, ""),
                new Baseline(visit.baseline(), visit.sha256()),
                visit.takenAt(),
                "archive");
    }
}
