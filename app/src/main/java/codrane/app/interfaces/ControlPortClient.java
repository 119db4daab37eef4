package codrane.app.interfaces;

import codrane.core.power.SupplyReading;
import codrane.core.tool.ToolLook;
import codrane.link.SupplyMeter;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.InstantSource;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** The meter of a simulated interface, and the demo's hand in the next room. */
public final class ControlPortClient implements SupplyMeter {
    private static final Duration PATIENCE = Duration.ofMillis(1500);
    private static final ObjectMapper JSON = new ObjectMapper();

    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(PATIENCE).build();
    private final String address;
    private final InstantSource time;
    private volatile Optional<ToolLook> tool = Optional.empty();

    ControlPortClient(String address, InstantSource time) {
        this.address = address;
        this.time = time;
    }

    @Override
    public Optional<SupplyReading> read() {
        Optional<JsonNode> meter = send(request("/meter").GET().build());
        tool = meter.map(body -> tool(body.path("tool")));
        return meter.map(
                body -> new SupplyReading(time.instant(), body.path("volts").asDouble()));
    }

    /** What the interface told about itself at the last reading. */
    Optional<ToolLook> tool() {
        return tool;
    }

    /** @return the state afterwards, or empty when the stand-in does not answer */
    public Optional<JsonNode> act(String path) {
        return send(request(path).POST(HttpRequest.BodyPublishers.noBody()).build());
    }

    /** @return what is wrong with the fault, as a sentence, or empty when it was brought about */
    public Optional<String> bring(String faultSpec) {
        String path = "/fault?spec=" + URLEncoder.encode(faultSpec, StandardCharsets.UTF_8);
        try {
            HttpResponse<String> response = http.send(
                    request(path).POST(HttpRequest.BodyPublishers.noBody()).build(),
                    HttpResponse.BodyHandlers.ofString());
            return response.statusCode() == 200
                    ? Optional.empty()
                    : Optional.of(JSON.readTree(response.body()).path("message").asString());
        } catch (IOException e) {
            return Optional.of("The stand-in does not answer.");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.of("Interrupted.");
        }
    }

    /** Faults that can be brought about: words by name. */
    public Map<String, String> faults() {
        Map<String, String> faults = new LinkedHashMap<>();
        send(request("/faults").GET().build())
                .ifPresent(body -> body.propertyNames()
                        .forEach(name -> faults.put(name, body.path(name).asString())));
        return faults;
    }

    public Optional<JsonNode> look() {
        return send(request("/look").GET().build());
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(address + path)).timeout(PATIENCE);
    }

    private Optional<JsonNode> send(HttpRequest request) {
        try {
            HttpResponse<String> response = http.send(request, HttpResponse.BodyHandlers.ofString());
            return response.statusCode() == 200 ? Optional.of(JSON.readTree(response.body())) : Optional.empty();
        } catch (IOException e) {
            return Optional.empty();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        }
    }

    private static ToolLook tool(JsonNode told) {
        Map<String, String> vehicles = new LinkedHashMap<>();
        told.path("vehicles")
                .propertyNames()
                .forEach(
                        vin -> vehicles.put(vin, told.path("vehicles").path(vin).asString()));
        return new ToolLook(
                told.path("name").asString(),
                told.path("serial").asString(),
                told.path("firmware").asString(),
                told.path("driver").asString(),
                told.path("link").asString().equals("wireless"),
                told.path("celsius").asDouble(),
                told.path("plugged").asString(),
                vehicles);
    }
}
