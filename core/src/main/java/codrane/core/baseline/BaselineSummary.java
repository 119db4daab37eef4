package codrane.core.baseline;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * A baseline without its content.
 *
 * @param jobId null when it belongs to no job
 * @param scope id of the one module that was read; empty for the whole vehicle
 * @param length of the content in characters
 */
public record BaselineSummary(
        long id,
        @Nullable Long jobId,
        long vehicleId,
        Instant takenAt,
        String takenBy,
        String sha256,
        Origin origin,
        Purpose purpose,
        String scope,
        int length) {
    /** Where it comes from. */
    public enum Origin {
        READ("read from the vehicle"),
        IMPORTED("taken in from a file"),
        ARCHIVE("from the archive");

        private final String words;

        Origin(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What it is for. */
    public enum Purpose {
        BEFORE("before the work"),
        AS_LEFT("as left"),
        OLD_PART("the old part, before its removal"),
        REFERENCE("known-good reference");

        private final String words;

        Purpose(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public boolean whole() {
        return scope.isEmpty();
    }
}
