package codrane.link.run;

import codrane.core.run.RunState;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/** What others tell a run that is under way: that its lease still holds, or that it is to stop. Used by several threads. */
public final class RunControl {
    /** After this long without a renewal nothing is sent: the lease is about to end. */
    private static final Duration STALE = Duration.ofSeconds(8);

    private final String interfaceName;
    private volatile Optional<Halt> halt = Optional.empty();
    private volatile boolean lost;
    private volatile Instant renewed;

    /** @param interfaceName by which it is called when it is lost */
    public RunControl(String interfaceName, Instant now) {
        this.interfaceName = interfaceName;
        renewed = now;
    }

    /**
     * A wish to stop.
     *
     * @param evenCommitted whether it stops between blocks, too, where the module must be recovered
     */
    public record Halt(String sentence, String nextStep, boolean evenCommitted) {}

    public void stop(Halt wish) {
        halt = Optional.of(wish);
    }

    public Optional<Halt> halt() {
        return halt;
    }

    public void renewed(Instant now) {
        renewed = now;
    }

    public void lose() {
        lost = true;
    }

    public boolean lost() {
        return lost;
    }

    public boolean stale(Instant now) {
        return Duration.between(renewed, now).compareTo(STALE) > 0;
    }

    /**
     * Whether the run may go on.
     *
     * @throws LeaseLostException when it no longer owns the interface
     */
    public RunGates.Verdict mayGoOn(RunState state) {
        if (lost) throw new LeaseLostException(interfaceName);
        return halt.filter(wish -> wish.evenCommitted() || !state.committed())
                .<RunGates.Verdict>map(wish -> new RunGates.Verdict.Closed(wish.sentence(), wish.nextStep()))
                .orElseGet(RunGates.Verdict.Open::new);
    }
}
