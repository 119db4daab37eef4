package codrane.app.demo;

import codrane.app.baseline.Baselines;
import codrane.app.job.Vehicles;
import codrane.app.packs.PackShelf;
import codrane.app.workshop.CodraneSettings;
import codrane.core.baseline.Baseline;
import codrane.core.baseline.BaselineSummary.Origin;
import codrane.core.baseline.BaselineSummary.Purpose;
import codrane.core.job.Job;
import codrane.core.pack.Pack;
import codrane.core.vin.Vin;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

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

    void load() {
        try (HttpClient http = HttpClient.newHttpClient()) {
            HttpRequest request = HttpRequest.newBuilder(URI.create(address + "/history"))
                    .timeout(PATIENCE)
                    .build();
            String body =
                    http.send(request, HttpResponse.BodyHandlers.ofString()).body();
            new ObjectMapper().readTree(body).forEach(this::keep);
        } catch (IOException e) {
            LOG.warn("The demo begins without an archive: the stand-in does not answer");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void keep(JsonNode visit) {
        Vin vin = new Vin(visit.path("vin").asString());
        Pack pack = packs.get(visit.path("pack").asString());
        Job.Vehicle vehicle = vehicles.takeIn(vin, pack.id(), pack.modelOf(vin).orElse(pack.title()), time.instant());
        Purpose purpose = visit.path("purpose").asString().equals("reference") ? Purpose.REFERENCE : Purpose.AS_LEFT;
        baselines.add(
                new Baselines.Place(null, vehicle.id(), Origin.ARCHIVE, purpose, ""),
                new Baseline(
                        visit.path("baseline").asString(), visit.path("sha256").asString()),
                Instant.parse(visit.path("takenAt").asString()),
                "archive");
    }
}
