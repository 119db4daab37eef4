package codrane.core.tool;

import java.util.LinkedHashMap;
import java.util.Map;

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
}
