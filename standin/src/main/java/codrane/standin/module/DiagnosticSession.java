package codrane.standin.module;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackModule;
import codrane.core.uds.ResponseCode.Known;
import codrane.link.time.Scheduler;
import java.time.Duration;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * The session of a module and what lives as long as it: security access, a transfer, normal communication. Attempts
 * and the waiting time outlive the session.
 */
final class DiagnosticSession {
    static final int DEFAULT = 1;
    private static final int MOST_ATTEMPTS = 3;
    private static final Duration WAIT = Duration.ofSeconds(10);

    private final ModuleState state;
    private final Surroundings around;
    private final Scheduler time;
    private final Random seeds;
    private int session = DEFAULT;
    private boolean unlocked;
    private Bytes seed = Bytes.EMPTY;
    private int wrongKeys;
    private long lockedUntil = Long.MIN_VALUE;
    private boolean communicationDisabled;
    private @Nullable Transfer transfer;

    DiagnosticSession(ModuleState state, Surroundings around, Scheduler time) {
        this.state = state;
        this.around = around;
        this.time = time;
        seeds = new Random(state.module.address());
    }

    PackModule.Session pack() {
        return state.module.session();
    }

    boolean isDefault() {
        return session == DEFAULT;
    }

    boolean isProgramming() {
        return session == pack().programming();
    }

    /** The sessions that the module has. */
    Set<Integer> known() {
        Set<Integer> known = new TreeSet<>(Set.of(DEFAULT, pack().extended()));
        if (state.flash.isPresent()) known.add(pack().programming());
        return known;
    }

    void enter(int newSession) {
        session = newSession;
        unlocked = false;
        seed = Bytes.EMPTY;
        if (!isProgramming()) {
            if (transfer != null && transfer.writes()) state.flash.ifPresent(FlashMemory::interrupted);
            around.programming(false);
        }
        transfer = null;
    }

    void enterDefault() {
        enter(DEFAULT);
        communicationDisabled = false;
        state.faults.setting(true);
    }

    boolean unlocked() {
        return unlocked;
    }

    /** @return all zero when already unlocked; empty when it must be waited first */
    Optional<Bytes> newSeed() {
        if (time.now() < lockedUntil) return Optional.empty();
        int value = seeds.nextInt() | 1; // never all zero: that means unlocked
        seed = unlocked ? Bytes.filled(4, 0) : FlashMemory.u32(value & 0xFFFFFFFFL);
        return Optional.of(seed);
    }

    /** @return why not, or empty when it is right */
    Optional<Known> tryKey(Bytes key) {
        boolean asked = !seed.isEmpty() && !seed.allAre(0);
        if (!asked) return Optional.of(Known.REQUEST_SEQUENCE_ERROR);
        Bytes expected = SimulatedKeys.of(seed, pack().securityMask());
        seed = Bytes.EMPTY;
        if (key.equals(expected)) {
            unlocked = true;
            wrongKeys = 0;
            return Optional.empty();
        }
        if (++wrongKeys < MOST_ATTEMPTS) return Optional.of(Known.INVALID_KEY);
        wrongKeys = 0;
        lockedUntil = time.now() + WAIT.toNanos();
        return Optional.of(Known.EXCEEDED_ATTEMPTS);
    }

    boolean communicationDisabled() {
        return communicationDisabled;
    }

    void communication(boolean disabled) {
        communicationDisabled = disabled;
    }

    /** The transfer under way. */
    Optional<Transfer> transfer() {
        return Optional.ofNullable(transfer);
    }

    void begin(Transfer next) {
        transfer = next;
        around.programming(next.writes());
    }

    void endTransfer() {
        transfer = null;
    }
}
