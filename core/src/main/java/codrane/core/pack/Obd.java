package codrane.core.pack;

import java.util.List;

/**
 * Legislated diagnostics of one module. Source: unchecked (ISO 15031-5, ISO 15765-4).
 *
 * @param index of its identifiers on CAN: request 7E0 + index, 0..7
 * @param calibrations names as reported, 1 to 16 characters each; their verification numbers are computed
 */
public record Obd(int index, List<String> calibrations) {
    public Obd {
        calibrations = List.copyOf(calibrations);
    }
}
