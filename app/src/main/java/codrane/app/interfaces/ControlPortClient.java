package codrane.app.interfaces;

import codrane.app.workshop.HttpServices;
import codrane.core.access.KeyProvider;
import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.power.SupplyReading;
import codrane.core.response.FrequencyResponse;
import codrane.core.tool.ToolLook;
import codrane.link.SupplyMeter;
import java.net.URI;
import java.time.Duration;
import java.time.InstantSource;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.springframework.web.client.RestClientException;
import org.springframework.web.client.RestClientResponseException;
import tools.jackson.databind.JsonNode;

/** The meter of a simulated interface, the keys that it knows, and the demo's hand in the next room. */
public final class ControlPortClient implements SupplyMeter, KeyProvider {
    private static final Duration PATIENCE = Duration.ofMillis(1500);

    private final ControlRequests requests;
    private final String address;
    private final InstantSource time;
    private volatile Optional<ToolLook> tool = Optional.empty();

    ControlPortClient(String address, InstantSource time) {
        requests = HttpServices.of(ControlRequests.class, address, PATIENCE);
        this.address = address;
        this.time = time;
    }

    @Override
    public Optional<SupplyReading> read() {
        Optional<ControlRequests.Meter> meter = asked(requests::meter);
        tool = meter.map(m -> tool(m.tool()));
        return meter.map(m -> new SupplyReading(time.instant(), m.volts()));
    }

    @Override
    public Optional<Bytes> keyFor(PackModule module, Bytes seed) {
        return asked(() -> requests.key(module.id(), seed.hex())).map(answer -> Bytes.parse(answer.key()));
    }

    /** What a microphone hears in a vehicle. */
    public record Heard(String vin, FrequencyResponse response) {}

    /** Empty when the vehicle announces nothing, or the stand-in does not answer. */
    public Optional<Heard> listen() {
        return asked(requests::sound).map(s -> new Heard(s.vin(), FrequencyResponse.of(s.hz(), s.db())));
    }

    /** What the interface told about itself at the last reading. */
    Optional<ToolLook> tool() {
        return tool;
    }

    /** @return the state afterwards, or empty when the stand-in does not answer or does not know it */
    public Optional<JsonNode> act(String path) {
        return asked(() -> requests.act(URI.create(address + path)));
    }

    /** @return what is wrong with the fault, as a sentence, or empty when it was brought about */
    public Optional<String> bring(String faultSpec) {
        try {
            requests.fault(faultSpec);
            return Optional.empty();
        } catch (RestClientResponseException e) {
            return Optional.of(Optional.ofNullable(e.getResponseBodyAs(ControlRequests.Refused.class))
                    .map(ControlRequests.Refused::message)
                    .orElse("The stand-in refused it."));
        } catch (RestClientException e) {
            return Optional.of("The stand-in does not answer.");
        }
    }

    /** Faults that can be brought about: words by name. */
    public Map<String, String> faults() {
        return asked(requests::faults).orElse(Map.of());
    }

    public Optional<JsonNode> look() {
        return asked(requests::look);
    }

    private static <T> Optional<T> asked(Supplier<T> request) {
        try {
            return Optional.ofNullable(request.get());
        } catch (RestClientException e) {
            return Optional.empty();
        }
    }

    private static ToolLook tool(ControlRequests.Tool told) {
        return new ToolLook(
                told.name(),
                told.serial(),
                told.firmware(),
                told.driver(),
                told.link().equals("wireless"),
                told.celsius(),
                told.plugged(),
                told.vehicles());
    }
}
