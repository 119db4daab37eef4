package codrane.app.vehicle;

import java.util.LinkedHashMap;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/**
 * What an interface tells about itself.
 *
 * @param celsius temperature
 * @param plugged VIN of the simulated vehicle that it is plugged into: for the next room only, no fact about a job
 * @param vehicles title by VIN of those that it could be plugged into
 */
public record ToolLook(
        String name,
        String serial,
        String firmware,
        String driver,
        boolean wireless,
        double celsius,
        String plugged,
        Map<String, String> vehicles) {
    public ToolLook {
        vehicles = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(vehicles));
    }

    static ToolLook of(JsonNode told) {
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
