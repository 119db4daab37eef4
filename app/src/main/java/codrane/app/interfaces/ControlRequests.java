package codrane.app.interfaces;

import java.net.URI;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.service.annotation.GetExchange;
import org.springframework.web.service.annotation.PostExchange;
import tools.jackson.databind.JsonNode;

/** What a simulated interface's control port can be asked. */
interface ControlRequests {
    @GetExchange("/meter")
    Meter meter();

    @GetExchange("/look")
    JsonNode look();

    @GetExchange("/faults")
    Map<String, String> faults();

    /** @param seed octets as upper hex */
    @GetExchange("/seed/{module}/{seed}")
    Key key(@PathVariable String module, @PathVariable String seed);

    /** @param key octets as upper hex */
    record Key(String key) {}

    @GetExchange("/sound")
    Sound sound();

    /**
     * @param vin of the vehicle that is heard
     * @param hz rising
     * @param db one for each
     */
    record Sound(String vin, List<Double> hz, List<Double> db) {}

    /** @param path whole address */
    @PostExchange
    JsonNode act(URI path);

    @PostExchange("/fault")
    JsonNode fault(@RequestParam String spec);

    record Meter(double volts, Tool tool) {}

    /** What the interface tells about itself. */
    record Tool(
            String name,
            String serial,
            String firmware,
            String driver,
            String link,
            double celsius,
            String plugged,
            Map<String, String> vehicles) {}

    /** Why something is refused. */
    record Refused(@Nullable String message) {}
}
