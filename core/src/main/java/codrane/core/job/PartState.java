package codrane.core.job;

import codrane.core.pack.VinLock;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/** What became of a module that came out of a vehicle, and what may become of it next. */
public enum PartState {
    KEPT("kept here"),
    SENT("sent to be cleaned"),
    CLEANED("cleaned, here again"),
    FITTED("fitted again"),
    AWAY("given away"),
    SCRAPPED("scrapped");

    private static final Set<PartState> GONE = EnumSet.of(FITTED, AWAY, SCRAPPED);

    private final String words;

    PartState(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Whether the workshop still has it, or expects it back. */
    public boolean here() {
        return !GONE.contains(this);
    }

    /**
     * Why the next state is refused, as a sentence; empty when it may be.
     *
     * @param from absent while nothing was said of the part
     * @param sameVehicle whether it is fitted into the vehicle out of which it came; only asked for {@link #FITTED}
     */
    public static Optional<String> refusal(VinLock lock, Optional<PartState> from, PartState to, boolean sameVehicle) {
        if (from.filter(state -> !state.here()).isPresent())
            return Optional.of("It was " + from.get().words + ": what became of it stands.");
        return switch (to) {
            case KEPT ->
                from.filter(state -> state == CLEANED)
                        .map(state -> "It was cleaned: it is here, and that stands with it.");
            case SENT, CLEANED -> cleaning(lock);
            case FITTED -> fitting(lock, from, sameVehicle);
            case AWAY, SCRAPPED -> Optional.empty();
        };
    }

    private static Optional<String> cleaning(VinLock lock) {
        return switch (lock) {
            case REWRITABLE -> Optional.of("It needs no cleaning: its VIN can be written anew.");
            case CLEANABLE -> Optional.empty();
            case BOUND -> Optional.of("Nobody can clean it: it is bound to its vehicle for good.");
        };
    }

    private static Optional<String> fitting(VinLock lock, Optional<PartState> from, boolean sameVehicle) {
        if (sameVehicle) return Optional.empty();
        return switch (lock) {
            case REWRITABLE -> Optional.empty();
            case CLEANABLE ->
                from.filter(state -> state == CLEANED).isPresent()
                        ? Optional.empty()
                        : Optional.of("It keeps its first VIN until a specialist has cleaned it: clean it first.");
            case BOUND -> Optional.of("It is bound to the vehicle out of which it came: it works in no other.");
        };
    }
}
