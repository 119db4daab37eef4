package codrane.core.pack;

import codrane.core.coding.BlockCheck;
import codrane.core.coding.Layout;
import codrane.core.part.Version;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How one range of software keeps a coding block.
 *
 * @param from oldest software that is known to keep it so; {@link #ANY} when all older software does
 * @param below first software that keeps it otherwise; empty for the newest layout
 */
public record LayoutVersion(String from, Optional<String> below, Layout layout) {
    /** No software is older. */
    static final String ANY = "0";

    /** Whether this software keeps the block so. */
    public boolean fits(String software) {
        Version version = Version.parse(software);
        return version.compareTo(Version.parse(from)) >= 0
                && below.map(end -> version.compareTo(Version.parse(end)) < 0).orElse(true);
    }

    /** The range in words: "9.1 and newer", "9.0 to before 9.1", "before 9.0". */
    public String range() {
        if (from.equals(ANY)) return below.map(end -> "before " + end).orElse("any version");
        return below.map(end -> from + " to before " + end).orElse(from + " and newer");
    }

    /**
     * Of software that was not read the newest layout; of software that is known to none one without settings, as long as
     * the newest.
     */
    static Layout of(List<LayoutVersion> versions, String software) {
        Layout newest = versions.getFirst().layout();
        if (software.isBlank()) return newest;
        return versions.stream()
                .filter(v -> v.fits(software))
                .findFirst()
                .map(LayoutVersion::layout)
                .orElseGet(() -> new Layout(
                        newest.id(),
                        newest.title(),
                        newest.dataIdentifier(),
                        newest.length(),
                        List.of(),
                        BlockCheck.NONE,
                        Map.of()));
    }
}
