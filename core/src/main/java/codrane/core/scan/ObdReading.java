package codrane.core.scan;

import java.util.List;
import java.util.Optional;

/**
 * What one module tells by the legislated diagnostics.
 *
 * @param address as the link has it
 * @param vin absent when it tells none
 * @param verificationNumbers eight hex digits each, in the order of the calibrations
 * @param stored faults as letter and four digits, like the pending and the permanent ones
 * @param lampOn whether the module asks for the malfunction lamp
 */
public record ObdReading(
        int address,
        Optional<String> vin,
        List<String> calibrations,
        List<String> verificationNumbers,
        List<String> stored,
        List<String> pending,
        List<String> permanent,
        boolean lampOn) {
    public ObdReading {
        calibrations = List.copyOf(calibrations);
        verificationNumbers = List.copyOf(verificationNumbers);
        stored = List.copyOf(stored);
        pending = List.copyOf(pending);
        permanent = List.copyOf(permanent);
    }
}
