package codrane.core.calibration;

import java.util.List;

/**
 * What the maker's service says about a calibration, beside the file.
 *
 * @param module the pack's module id
 * @param hardware hardware numbers it may be written to
 * @param softwareBefore versions it may replace; empty: any
 * @param softwareAfter version that the module reports afterwards
 * @param size octets of the file
 * @param crc32 over the data, see {@link CalibrationFile#crc32()}
 * @param sha256 of the file, lower-case hex
 */
public record Manifest(
        String id,
        String pack,
        String module,
        String title,
        List<String> hardware,
        List<String> softwareBefore,
        String softwareAfter,
        long size,
        long crc32,
        String sha256) {
    public Manifest {
        hardware = List.copyOf(hardware);
        softwareBefore = List.copyOf(softwareBefore);
    }

    /** Eight hex digits; a method and not a property, so that it stays out of the JSON. */
    public String crc32AsHex() {
        return "%08X".formatted(crc32);
    }
}
