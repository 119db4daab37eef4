package codrane.core.calibration;

import java.util.List;

/**
 * One software version of a module, as its maker's service lists it.
 *
 * @param follows versions that it replaces; empty: the first one, or any
 * @param cvn verification number that a module with it reports, eight hex digits
 */
public record Release(String version, List<String> follows, String cvn) {
    public Release {
        follows = List.copyOf(follows);
    }
}
