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
 * @param signature of the maker's service, Base64, see {@link ManifestSignature}; empty: none
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
        String sha256,
        String signature) {
    public Manifest {
        hardware = List.copyOf(hardware);
        softwareBefore = List.copyOf(softwareBefore);
    }

    /** The same with another signature. */
    Manifest signedWith(String other) {
        return new Manifest(
                id, pack, module, title, hardware, softwareBefore, softwareAfter, size, crc32, sha256, other);
    }

    /** The same content in another form of file: what was signed is not this one, so the signature goes. */
    public Manifest inForm(long otherSize, String otherSha256) {
        return new Manifest(
                id, pack, module, title, hardware, softwareBefore, softwareAfter, otherSize, crc32, otherSha256, "");
    }

    /** Eight hex digits; a method and not a property, so that it stays out of the JSON. */
    public String crc32AsHex() {
        return "%08X".formatted(crc32);
    }
}
