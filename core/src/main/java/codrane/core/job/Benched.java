package codrane.core.job;

import java.util.Optional;

/**
 * What Bench knows.
 *
 * @param check newest answered request; empty while there is none
 * @param oldReading what became of reading the old module; empty until it was tried
 * @param stranger another vehicle that answered last; empty when the right one did
 */
public record Benched(
        Optional<BenchCheck> check, BenchNotes notes, Optional<OldReading> oldReading, Optional<Stranger> stranger)
        implements Part {
    public static final Benched NONE =
            new Benched(Optional.empty(), BenchNotes.NONE, Optional.empty(), Optional.empty());

    /** @param read false: it could not be read, which is also a result */
    public record OldReading(boolean read, String sentence) {}
}
