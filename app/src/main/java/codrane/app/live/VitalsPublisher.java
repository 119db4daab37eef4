package codrane.app.live;

import codrane.app.interfaces.BenchInterface;
import codrane.app.interfaces.Interfaces;
import codrane.core.power.PowerGate;
import codrane.core.power.SupplyReading;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import tools.jackson.databind.ObjectMapper;

/** Publishes each interface's vitals once a second. */
@Component
public class VitalsPublisher {
    private static final int POINTS = 60;
    private static final ObjectMapper JSON = new ObjectMapper();

    private final Interfaces interfaces;
    private final LiveHub hub;
    private final InstantSource time;

    VitalsPublisher(Interfaces interfaces, LiveHub hub, InstantSource time) {
        this.interfaces = interfaces;
        this.hub = hub;
        this.time = time;
    }

    /**
     * @param volts empty when unknown
     * @param series volts over the last two minutes, oldest first
     * @param key in words
     * @param celsius temperature of the interface; empty when it does not tell
     */
    public record Vitals(
            Optional<Double> volts, List<Double> series, String key, boolean link, Optional<Double> celsius) {
        /** When there is no interface to ask. */
        public static final Vitals UNKNOWN =
                new Vitals(Optional.empty(), List.of(), "unknown", false, Optional.empty());
    }

    public Vitals of(BenchInterface i) {
        List<SupplyReading> samples = i.samples();
        Instant now = time.instant();
        boolean fresh = !samples.isEmpty() && !samples.getLast().at().isBefore(now.minus(PowerGate.STALE));
        List<Double> series = new ArrayList<>();
        int step = Math.max(1, samples.size() / POINTS);
        for (int at = samples.size() % step; at < samples.size(); at += step) {
            series.add(Math.round(samples.get(at).volts() * 100) / 100.0);
        }
        return new Vitals(
                fresh ? Optional.of(samples.getLast().volts()) : Optional.empty(),
                series,
                i.key()
                        .map(position -> keyWords(position) + (i.resting() ? ", left to rest" : ""))
                        .orElse("unknown"),
                i.answered(),
                fresh ? i.celsius() : Optional.empty());
    }

    private static String keyWords(int key) {
        return switch (key) {
            case 0 -> "off";
            case 1 -> "on";
            case 2 -> "engine running";
            default -> "unknown";
        };
    }

    @Scheduled(fixedDelay = 1, initialDelay = 1, timeUnit = TimeUnit.SECONDS)
    void publish() {
        for (BenchInterface i : interfaces.all()) hub.publish("interface-" + i.name(), event(of(i)));
    }

    private static Map<String, Object> event(Vitals vitals) {
        Map<String, Object> event = new LinkedHashMap<>();
        event.put("type", "vitals");
        event.put("volts", vitals.volts().orElse(-1.0));
        event.put("series", vitals.series());
        event.put("key", vitals.key());
        event.put("link", vitals.link());
        event.put("celsius", vitals.celsius().map(Math::round).orElse(-1L));
        return event;
    }

    /** The same as an event carries, for a page that has just been opened. */
    public String json(Vitals vitals) {
        return JSON.writeValueAsString(event(vitals));
    }
}
